import type { Candidate, CircuitLimits } from './candidates.js';
import { dominated } from './dominated.js';
import { smallestCore } from './smallest-core.js';
import type { BrokenLimit, GrowingSet, SetLimits } from './set-limits.js';

export type BindingLimit = BrokenLimit | 'spaces' | 'controlled';

export interface BestSet {
  /** Indices of the candidates that stay on. */
  readonly kept: readonly number[];
  readonly worth: number;
  /** No set is worth more; false where the search was cut short. */
  readonly proven: boolean;
  /** Upper bound on the worth of any set. */
  readonly boundWorth: number;
  /** What the musts alone break; null where they hold. Then nothing else is kept. */
  readonly mustsBreak: BindingLimit | null;
  readonly visited: number;
}

/** What the search is about. */
export interface SetProblem {
  readonly candidates: readonly Candidate[];
  /** Index of each candidate's loads in `limits`. */
  readonly loadIndex: readonly (readonly number[])[];
  readonly limits: SetLimits;
  readonly circuits: CircuitLimits;
  /** Energy a day that the stack can give over the required runtime; Infinity where it does not bind. */
  readonly energyRoomWh: number;
}

type State = 'open' | 'kept' | 'out';

/**
 * The set of candidates with the highest worth that holds every limit: exact, by branch and bound over minimal conflicts.
 *
 * Adding a circuit never improves a limit. So whatever does not hold contains a smallest group that does not (a core), of
 * which one must go. Cores of the power limits are collected as they are met, and the worth that can still be had is bounded by
 * dual ascent: each core in turn takes the smallest worth that is left among its members from all of them, of which one
 * share is lost; what is left of the worths goes through a fractional knapsack over energy and spaces. Of two candidates of which one is lighter in every respect and
 * worth no less, the heavier is never kept without the lighter.
 *
 * @param stop asked from time to time; true ends the search with the best set so far
 */
export function suggestSet(problem: SetProblem, stop?: () => boolean): BestSet {
  const { candidates, loadIndex, limits, circuits, energyRoomWh } = problem;
  const indices = candidates.map((_, i) => i);
  const musts = indices.filter((i) => candidates[i]!.fixed === 'in');
  const free = indices.filter((i) => candidates[i]!.fixed === null);
  const worthOf = (list: readonly number[]): number => list.reduce((sum, i) => sum + candidates[i]!.worth, 0);
  const spacesOf = (list: readonly number[]): number =>
    list.reduce((sum, i) => sum + candidates[i]!.spaces, 0);
  const dayWh = loadIndex.map((loads) => loads.reduce((sum, load) => sum + limits.dayWh(load), 0));
  const base = limits.with(
    limits.empty(),
    musts.flatMap((i) => loadIndex[i]!),
  );
  const baseSpaces = spacesOf(musts);
  // Those that nobody wants, or that cannot be reached, need their devices in any case.
  const leftOutRoom =
    circuits.leftOut - candidates.filter(({ fixed, loads }) => fixed === 'out' && loads.length > 0).length;
  const setOf = (list: readonly number[]): GrowingSet =>
    limits.with(
      base,
      list.flatMap((i) => loadIndex[i]!),
    );
  const holds = (list: readonly number[]): boolean =>
    baseSpaces + spacesOf(list) <= circuits.spaces && limits.broken(setOf(list)) === null;
  const mustsBreak: BindingLimit | null =
    limits.broken(base) ?? (baseSpaces > circuits.spaces ? 'spaces' : leftOutRoom < 0 ? 'controlled' : null);
  const answer = (found: Partial<BestSet>): BestSet => ({
    kept: musts,
    worth: 0,
    proven: true,
    boundWorth: 0,
    mustsBreak: null,
    visited: 1,
    ...found,
  });
  if (mustsBreak !== null) return answer({ mustsBreak });

  const lighter = dominated(free, candidates, loadIndex, limits);
  const cores: (readonly number[])[] = [];
  let best: { kept: readonly number[]; worth: number } | null = null;
  let visited = 0;
  let stopped = false;
  let openBound = 0;

  const offer = (kept: readonly number[]): void => {
    const worth = worthOf(kept);
    if (free.length - kept.length > leftOutRoom || (best && worth <= best.worth)) return;
    best = { kept, worth };
  };

  /** Fractional knapsack: the most that room can hold of what is left of the worths. */
  const knapsack = (
    open: readonly number[],
    left: Float64Array,
    room: number,
    takes: (i: number) => number,
  ): number => {
    let worth = 0;
    if (room === Infinity) {
      for (const i of open) worth += left[i]!;
      return worth;
    }
    let rest = room;
    for (const i of open.toSorted((a, b) => left[b]! * takes(a) - left[a]! * takes(b))) {
      const taken = takes(i);
      if (taken > rest) return worth + (left[i]! * Math.max(0, rest)) / taken;
      worth += left[i]!;
      rest -= taken;
    }
    return worth;
  };

  /** Takes a core's share out of what is left of the worths. A core whose members are all kept breaks the set. */
  const charge = (core: readonly number[], state: readonly State[], left: Float64Array): number => {
    let least = Infinity;
    let open = 0;
    for (const i of core) {
      if (state[i] === 'out') return 0;
      if (state[i] !== 'open') continue;
      open += 1;
      least = Math.min(least, left[i]!);
    }
    if (open === 0) return Infinity;
    if (least <= 0) return 0;
    for (const i of core) if (state[i] === 'open') left[i]! -= least;
    // Of the worth taken from its members, one share is lost and the others may still be had.
    return least * (open - 1);
  };

  const visit = (set: GrowingSet, state: State[], powerHolds: boolean): void => {
    visited += 1;
    if (stop?.()) stopped = true;
    // What cannot join on its own is out, and with it everything heavier.
    for (const i of powerHolds ? [] : free) {
      if (state[i] === 'open' && loadIndex[i]!.some((load) => limits.cannotJoin(set, load))) state[i] = 'out';
    }
    for (const i of free) {
      if (state[i] === 'open' && lighter.get(i)!.some((light) => state[light] === 'out')) state[i] = 'out';
    }
    const kept = free.filter((i) => state[i] === 'kept');
    const open = free.filter((i) => state[i] === 'open');
    if (free.length - kept.length - open.length > leftOutRoom) return;
    const keptWorth = worthOf(kept);
    const usedWh = set.hourlyWh.reduce((sum, wh) => sum + wh, 0);
    const spacesLeft = circuits.spaces - baseSpaces - spacesOf(kept);
    const left = Float64Array.from(candidates, ({ worth }) => worth);
    /** Worth had within the cores that were charged. */
    let inCores = 0;
    let upper = Infinity;
    const tighten = (): boolean => {
      const rest = Math.min(
        knapsack(open, left, energyRoomWh - usedWh, (i) => dayWh[i]!),
        knapsack(open, left, spacesLeft, (i) => candidates[i]!.spaces),
      );
      // Worths are whole numbers.
      upper = Math.min(upper, Math.floor(keptWorth + inCores + rest + 1e-9));
      return best !== null && upper <= best.worth;
    };
    if (tighten()) return;
    for (const core of powerHolds ? [] : cores) inCores += charge(core, state, left);
    if (inCores === Infinity || tighten()) return;
    if (stopped) {
      openBound = Math.max(openBound, upper);
      return;
    }
    const all = limits.with(
      set,
      open.flatMap((i) => loadIndex[i]!),
    );
    const holdsPower = powerHolds || limits.brokenPower(all) === null;
    if (holdsPower && spacesOf(open) <= spacesLeft && limits.runtimeHolds(all.hourlyWh)) {
      offer([...kept, ...open]);
      return;
    }
    if (visited === 1) offer(completed(open));
    // Ascend: as long as the power of what has worth left does not hold together, it contains another core.
    while (!holdsPower) {
      const remaining = open.filter((i) => left[i]! > 1e-9).toSorted((a, b) => left[b]! - left[a]!);
      const core = smallestCore([...remaining, ...kept], base, problem);
      if (core === null) break;
      cores.push(core);
      inCores += charge(core, state, left);
      if (inCores === Infinity || tighten()) return;
      if (stop?.()) stopped = true;
      if (stopped) {
        openBound = Math.max(openBound, upper);
        return;
      }
    }
    if (open.length === 0) return;
    const next = branchOn(open, state, holdsPower);
    const keptState = state.slice();
    const joining = [next, ...lighter.get(next)!.filter((light) => state[light] === 'open')];
    for (const i of joining) keptState[i] = 'kept';
    const joined = limits.with(
      set,
      joining.flatMap((i) => loadIndex[i]!),
    );
    const fits =
      spacesOf(joining) <= spacesLeft &&
      limits.runtimeHolds(joined.hourlyWh) &&
      (holdsPower || limits.brokenPower(joined) === null);
    if (fits) visit(joined, keptState, holdsPower);
    const outState = state.slice();
    outState[next] = 'out';
    visit(set, outState, holdsPower);
  };

  const density = (i: number): number =>
    candidates[i]!.worth / (1e-6 + dayWh[i]! / energyRoomWh + candidates[i]!.spaces / circuits.spaces);

  /** Candidates one by one, the one with most worth for what it takes first, as long as the set holds. */
  const completed = (open: readonly number[]): readonly number[] => {
    const kept: number[] = [];
    for (const i of open.toSorted((a, b) => density(b) - density(a))) if (holds([...kept, i])) kept.push(i);
    return kept;
  };

  /** The candidate that stands in most of the cores that are not broken yet, for its worth; else the densest. */
  const branchOn = (open: readonly number[], state: readonly State[], holdsPower: boolean): number => {
    const stands = new Map<number, number>(open.map((i) => [i, 0]));
    for (const core of holdsPower ? [] : cores) {
      if (core.some((i) => state[i] === 'out')) continue;
      for (const i of core) if (stands.has(i)) stands.set(i, stands.get(i)! + 1);
    }
    const score = (i: number): number => stands.get(i)! / candidates[i]!.worth;
    return open.reduce((a, b) => {
      const ahead = score(b) - score(a);
      return ahead > 0 || (ahead === 0 && density(b) > density(a)) ? b : a;
    });
  };

  const state: State[] = candidates.map(({ fixed }) =>
    fixed === 'in' ? 'kept' : fixed === 'out' ? 'out' : 'open',
  );
  visit(base, state, false);
  const found = best as { kept: readonly number[]; worth: number } | null;
  if (!found) {
    return answer(
      stopped ? { proven: false, boundWorth: worthOf(free), visited } : { mustsBreak: 'controlled', visited },
    );
  }
  return answer({
    kept: [...musts, ...found.kept],
    worth: found.worth,
    proven: !stopped,
    boundWorth: stopped ? Math.max(openBound, found.worth) : found.worth,
    visited,
  });
}
