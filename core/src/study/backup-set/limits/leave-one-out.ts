import type { GrowingSet, SetLimits } from './set-limits.js';

/**
 * Visits, for each group of loads, the set of all the others. By halves: each half is worked out once with the other half
 * added, so that n groups take n · log n additions instead of n².
 *
 * @param groups indices of loads, group by group
 * @param base what is in every set
 * @param visit called once for each group, with the set of all other groups
 */
export function leaveOneOut(
  limits: SetLimits,
  groups: readonly (readonly number[])[],
  base: GrowingSet,
  visit: (group: number, others: GrowingSet) => void,
): void {
  const solve = (from: number, to: number, set: GrowingSet): void => {
    if (to - from === 1) {
      visit(from, set);
      return;
    }
    const middle = Math.floor((from + to) / 2);
    solve(from, middle, limits.with(set, groups.slice(middle, to).flat()));
    solve(middle, to, limits.with(set, groups.slice(from, middle).flat()));
  };
  if (groups.length > 0) solve(0, groups.length, base);
}
