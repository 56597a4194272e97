import type { GrowingSet } from '../limits/set-limits.js';
import type { SetProblem } from './set-problem.js';

/**
 * A smallest group of candidates whose power does not hold beside the musts: without any one of its members it would. Found by
 * insertion: candidates are added in their order until the set breaks; the last one belongs to the core, and only those
 * before it can be its other members.
 *
 * @param list candidates to look at; those that should rather be in a core first
 * @param base the musts
 * @returns null where the power of all of them together holds
 */
export function smallestCore(
  list: readonly number[],
  base: GrowingSet,
  { loadIndex, limits }: Pick<SetProblem, 'loadIndex' | 'limits'>,
): readonly number[] | null {
  const core: number[] = [];
  let coreSet = limits.with(base, []);
  let remaining = list;
  while (core.length === 0 || limits.brokenPower(coreSet) === null) {
    const set = limits.with(coreSet, []);
    let last = -1;
    for (let place = 0; place < remaining.length && last < 0; place += 1) {
      limits.grow(set, loadIndex[remaining[place]!]!);
      if (limits.brokenPower(set) !== null) last = place;
    }
    if (last < 0) return null;
    const found = remaining[last]!;
    core.push(found);
    coreSet = limits.with(coreSet, loadIndex[found]!);
    remaining = remaining.slice(0, last);
  }
  return core;
}
