import { type AmericanSize, type Conductor, isMetricSize } from '../../electric/index.js';
import type { PublishedTable } from '../../base/index.js';
import { resistanceOhmPerM } from '../drop/resistance.js';

/**
 * Current at the terminals of a transformer whose secondary is shorted, A: I = kVA · 1000 / (V · Z); √3 for three phases.
 *
 * @param impedanceShare its impedance, e.g. 0.02
 * @param tolerance the impedance may be so much lower; 0.1 by IEEE C57.12 (recalled)
 * @example transformerFaultA({ kVA: 48, voltageV: 240, impedanceShare: 0.02, phases: 1 }) // 10000
 */
export function transformerFaultA(
  of: {
    readonly kVA: number;
    readonly voltageV: number;
    readonly impedanceShare: number;
    readonly phases: 1 | 3;
  },
  tolerance = 0,
): number {
  const root = of.phases === 3 ? Math.sqrt(3) : 1;
  return (of.kVA * 1000) / (root * of.voltageV * of.impedanceShare * (1 - tolerance));
}

/** Copper in steel conduit, up to 600 V: the constant C of the point-to-point method. */
export const pointToPointC: PublishedTable<Readonly<Partial<Record<AmericanSize, number>>>> = {
  title: '“C” values for conductors, three single copper conductors in steel conduit',
  clause: 'point-to-point method',
  edition: 'handbook of a fuse maker',
  source: 'recalled',
  values: { '2 AWG': 5907, '1/0 AWG': 8925, '2/0 AWG': 10755, '4/0 AWG': 15082 },
};

const feetInM = 1 / 0.3048;

/**
 * What is left of a fault current at the end of a run, A (point-to-point method): f = 2·L·I / (C·V·n), M = 1 / (1 + f); √3 in place of
 * 2 for three phases. Where the table has no constant, C follows from the resistance alone, which leaves more current: on the safe side
 * is the higher of the two for interrupting ratings.
 *
 * @param atStartA fault current at the beginning, A
 * @param lengthM one way, m
 */
export function faultAfterRunA(
  atStartA: number,
  conductor: Pick<Conductor, 'size' | 'material'>,
  run: {
    readonly lengthM: number;
    readonly voltageV: number;
    readonly phases: 1 | 3;
    readonly parallel?: number;
  },
): number {
  const { size, material } = conductor;
  const known = !isMetricSize(size) && material === 'copper' ? pointToPointC.values[size] : undefined;
  // C is the reciprocal of ohms a foot.
  const c = known ?? feetInM / resistanceOhmPerM(conductor);
  const ways = run.phases === 3 ? Math.sqrt(3) : 2;
  const f = (ways * run.lengthM * feetInM * atStartA) / (c * run.voltageV * (run.parallel ?? 1));
  return atStartA / (1 + f);
}
