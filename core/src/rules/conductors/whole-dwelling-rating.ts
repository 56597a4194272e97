import { type Conductor, isMetricSize } from '../../electric/index.js';
import { ampacityA } from './ampacity.js';
import { standardBreakersA } from './standard-breaker.js';

/** Share of the rating that the conductors of a whole dwelling must carry, and the ratings for which that holds: 310.12. */
const share = 0.83;
const fromA = 100;
const toA = 400;

/**
 * The largest service or main feeder of 100 to 400 A whose whole load a conductor may carry: its ampacity must be 83 % of the
 * rating. That already is the allowance: nothing is rounded up. NEC 2023, 310.12(A) and its table (recalled).
 *
 * @returns rating in A; null where it carries none of them, or is not an American size
 * @example wholeDwellingRatingA({ material: 'copper', size: '1/0 AWG' }) // 175
 */
export function wholeDwellingRatingA(conductor: Pick<Conductor, 'size' | 'material'>): number | null {
  const carriesA = ampacityA(conductor, { columnC: 75, loaded: 2 });
  if (carriesA === null || isMetricSize(conductor.size)) return null;
  return (
    standardBreakersA.values.findLast(
      (ratingA) => ratingA >= fromA && ratingA <= toA && share * ratingA <= carriesA,
    ) ?? null
  );
}
