import type { Conductor } from '../../electric/index.js';
import { resistanceOhmPerM } from './resistance.js';

/** Advised shares of the voltage: NEC 210.19(A) and 215.2(A), informational notes; 2 % for AC-coupled sources is common practice. */
export const advisedDrop = { branch: 0.03, inAll: 0.05, source: 0.02 } as const;

/**
 * Share of the voltage lost along a run: there and back on one phase, √3 one way on three.
 *
 * @param lengthM one way, m
 * @param currentA on each conductor, A
 * @param voltageV between the conductors, V
 * @param parallel conductors of this size for each pole
 */
export function voltageDropShare(
  conductor: Pick<Conductor, 'size' | 'material'>,
  run: {
    readonly lengthM: number;
    readonly currentA: number;
    readonly voltageV: number;
    readonly phases: 1 | 3;
    readonly parallel?: number;
  },
): number {
  const ways = run.phases === 3 ? Math.sqrt(3) : 2;
  const ohm = (resistanceOhmPerM(conductor) * run.lengthM) / (run.parallel ?? 1);
  return (ways * ohm * run.currentA) / run.voltageV;
}
