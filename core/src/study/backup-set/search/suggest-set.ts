import type { BestSet, SetProblem } from './set-problem.js';
import { SetSearch } from './set-search.js';

/**
 * The set of candidates with the highest worth that holds every limit: exact, by branch and bound over minimal conflicts.
 *
 * Adding a circuit never improves a limit. So whatever does not hold contains a smallest group that does not (a core), of
 * which one must go. Cores of the power limits are collected as they are met, and bound the worth that can still be had
 * ({@link WorthBound}). Of two candidates of which one is lighter in every respect and worth no less, the heavier is never kept
 * without the lighter ({@link dominated}).
 *
 * @param stop asked from time to time; true ends the search with the best set so far
 */
export function suggestSet(problem: SetProblem, stop: () => boolean = () => false): BestSet {
  const search = new SetSearch(problem, stop);
  const { musts } = search;
  const mustsAlone = { kept: musts, worth: 0, proven: true, boundWorth: 0, mustsBreak: null, visited: 1 };
  const mustsBreak = search.mustsBreak();
  if (mustsBreak !== null) return { ...mustsAlone, mustsBreak };
  search.run();
  const { best, stopped, visited, openBound } = search;
  if (best)
    return {
      kept: [...musts, ...best.kept],
      worth: best.worth,
      proven: !stopped,
      boundWorth: stopped ? Math.max(openBound, best.worth) : best.worth,
      mustsBreak: null,
      visited,
    };
  return stopped
    ? { ...mustsAlone, proven: false, boundWorth: search.worthOf(search.free), visited }
    : { ...mustsAlone, mustsBreak: 'controlled', visited };
}
