import { type SupplySystem, systemFacts } from '../electric/index.js';
import type { SimulatedFault } from './faults.js';

/** What instruments are off by (common practice, no source): one deviation of a share, of the frequency in Hz. */
export const noise = { power: 0.004, voltage: 0.002, hz: 0.01, charge: 0.002 };

/** What current sensors on the legs of a service say of what flows there, W. */
export function sensedW(legW: readonly number[], faults: ReadonlySet<SimulatedFault>): number[] {
  const [one = 0, two = 0, ...rest] = legW;
  const seen = faults.has('sensors-swapped') && legW.length > 1 ? [two, one, ...rest] : [...legW];
  if (faults.has('sensor-reversed')) seen[0] = -seen[0]!;
  return seen;
}

/** Voltages of a house, V: of each leg to neutral, and from leg to leg. */
export interface Voltages {
  readonly legV: readonly number[];
  readonly betweenV: readonly number[];
}

const pairsOf = (legs: number): number => (legs === 1 ? 0 : legs === 2 ? 1 : 3);
/** A floating neutral leaves a leg this share of the whole at least. */
const leastShare = 0.05;

/**
 * Voltages of a house that is lit.
 *
 * @param legW what its loads take on each leg: where no neutral is formed, each leg gets what the loads of the other leave it
 * @param noisy a value as an instrument shows it
 */
export function voltagesOf(
  system: SupplySystem,
  legW: readonly number[],
  hasNeutral: boolean,
  noisy: (value: number) => number,
): Voltages {
  const { legs, legVoltageV, lineVoltageV } = systemFacts[system];
  const betweenV = Array.from({ length: pairsOf(legs.length) }, () => noisy(lineVoltageV));
  if (hasNeutral || legs.length !== 2) return { legV: legs.map(() => noisy(legVoltageV)), betweenV };
  const [one = 0, two = 0] = legW;
  const share = one + two > 0 ? Math.min(1 - leastShare, Math.max(leastShare, two / (one + two))) : 0.5;
  return { legV: [noisy(lineVoltageV * share), noisy(lineVoltageV * (1 - share))], betweenV };
}

/** Of a house that is dark. */
export function darkVoltages(system: SupplySystem): Voltages {
  const { legs } = systemFacts[system];
  return { legV: legs.map(() => 0), betweenV: Array.from({ length: pairsOf(legs.length) }, () => 0) };
}
