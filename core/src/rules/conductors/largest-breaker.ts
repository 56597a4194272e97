import type { PublishedTable } from '../../base/index.js';
import { type AmericanSize, type Conductor, isMetricSize } from '../../electric/index.js';
import { ampacityA, type ConductorUse } from './ampacity.js';
import { standardBreakerA } from './standard-breaker.js';
import { wholeDwellingRatingA } from './whole-dwelling-rating.js';

/** [copper, aluminium], A. */
export const smallConductorsA: PublishedTable<Partial<Record<AmericanSize, readonly [number, number]>>> = {
  title: 'Overcurrent protection of small conductors',
  clause: '240.4(D)',
  edition: 'NEC 2023',
  source: 'recalled',
  values: { '14 AWG': [15, 0], '12 AWG': [20, 15], '10 AWG': [30, 25] },
};

/**
 * The largest breaker that protects a conductor, before corrections for heat and bundling.
 *
 * American sizes: the next standard rating above the ampacity (240.4(B)), small conductors after 240.4(D); conductors that
 * carry a whole dwelling after 310.12 ({@link wholeDwellingRatingA}) where that allows more. Metric sizes: the ampacity itself
 * (IEC 60364-4-43).
 *
 * @param wholeDwelling the conductor carries the whole load of the dwelling
 * @returns rating in A; null where the table has no such conductor
 * @example largestBreakerA({ material: 'copper', size: '14 AWG' }, { columnC: 75, loaded: 2 }) // 15
 */
export function largestBreakerA(
  conductor: Pick<Conductor, 'size' | 'material'>,
  use: ConductorUse,
  wholeDwelling = false,
): number | null {
  const carriesA = ampacityA(conductor, use);
  if (carriesA === null) return null;
  if (isMetricSize(conductor.size)) return carriesA;
  const small = smallConductorsA.values[conductor.size];
  if (small) return Math.min(small[conductor.material === 'copper' ? 0 : 1], standardBreakerA(carriesA));
  const mostA = standardBreakerA(carriesA);
  return wholeDwelling ? Math.max(mostA, wholeDwellingRatingA(conductor) ?? 0) : mostA;
}
