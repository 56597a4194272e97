import { ampacityA } from './ampacity.js';
import type { Conductor, ConductorSize } from './conductor.schema.js';
import { standardBreakerA } from './standard-breaker.js';

/** Small conductors: NEC 2023, 240.4(D) (recalled). [copper, aluminium] */
const smallConductorsA: Partial<Record<ConductorSize, readonly [number, number]>> = {
  '14 AWG': [15, 0],
  '12 AWG': [20, 15],
  '10 AWG': [30, 25],
};

/** Share of the service rating a service or main feeder of a dwelling must carry: NEC 2023, 310.12 (recalled). */
const dwellingServiceShare = 0.83;

/**
 * The largest breaker that protects a conductor, before corrections for heat and bundling.
 *
 * American sizes: the next standard rating above the ampacity (240.4(B)), small conductors after 240.4(D), 83 % for the
 * conductors that carry a whole dwelling (310.12). Metric sizes: the ampacity itself (IEC 60364-4-43).
 *
 * @param wholeDwelling the conductor carries the whole load of the dwelling
 * @returns rating in A; null where the table has no such conductor
 * @example largestBreakerA({ material: 'copper', size: '14 AWG' }) // 15
 */
export function largestBreakerA(conductor: Conductor, wholeDwelling = false): number | null {
  const carriesA = ampacityA(conductor);
  if (carriesA === null) return null;
  const small = smallConductorsA[conductor.size];
  if (small) return small[conductor.material === 'copper' ? 0 : 1];
  if (conductor.size.endsWith('mm²')) return carriesA;
  return standardBreakerA(wholeDwelling ? carriesA / dwellingServiceShare : carriesA);
}
