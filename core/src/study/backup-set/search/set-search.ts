import type { GrowingSet } from '../limits/set-limits.js';
import { dominated } from './dominated.js';
import type { BindingLimit, Decision, SetProblem } from './set-problem.js';
import { smallestCore } from './smallest-core.js';
import { WorthBound } from './worth-bound.js';

/** Where the search stands: what is decided, and the set of what is kept. */
interface Branch {
  readonly set: GrowingSet;
  readonly decisions: Decision[];
  /** The power of everything that is not out is known to hold. */
  readonly powerHolds: boolean;
}

/** Branch and bound over minimal conflicts, see {@link suggestSet}. */
export class SetSearch {
  best: { readonly kept: readonly number[]; readonly worth: number } | null = null;
  visited = 0;
  stopped = false;
  /** Highest bound of what was not looked at after all. */
  openBound = 0;
  readonly musts: readonly number[];
  readonly free: readonly number[];

  private readonly dayWh: readonly number[];
  /** The musts. */
  private readonly base: GrowingSet;
  private readonly baseSpaces: number;
  /** How many of the free ones may be left out. */
  private readonly leftOutRoom: number;
  private readonly lighter: ReadonlyMap<number, readonly number[]>;
  /** Smallest groups whose power does not hold together, as they were met. */
  private readonly cores: (readonly number[])[] = [];

  constructor(
    private readonly problem: SetProblem,
    private readonly stop: () => boolean,
  ) {
    const { candidates, loadIndex, limits, circuits } = problem;
    const fixed = (how: 'in' | null): number[] =>
      candidates.flatMap((candidate, i) => (candidate.fixed === how ? [i] : []));
    this.musts = fixed('in');
    this.free = fixed(null);
    this.dayWh = loadIndex.map((loads) => loads.reduce((sum, load) => sum + limits.dayWh(load), 0));
    this.base = this.joined(limits.empty(), this.musts);
    this.baseSpaces = this.spacesOf(this.musts);
    // Those that nobody wants, or that cannot be reached, need their devices in any case.
    this.leftOutRoom =
      circuits.leftOut -
      candidates.filter(({ fixed: how, loads }) => how === 'out' && loads.length > 0).length;
    this.lighter = dominated(this.free, candidates, loadIndex, limits);
  }

  /** What the musts break on their own; null where they hold. */
  mustsBreak(): BindingLimit | null {
    const broken = this.problem.limits.broken(this.base);
    if (broken !== null) return broken;
    if (this.baseSpaces > this.problem.circuits.spaces) return 'spaces';
    return this.leftOutRoom < 0 ? 'controlled' : null;
  }

  run(): void {
    const decisions = this.problem.candidates.map(({ fixed }): Decision => {
      if (fixed === 'in') return 'kept';
      return fixed === 'out' ? 'out' : 'open';
    });
    this.visit({ set: this.base, decisions, powerHolds: false });
  }

  worthOf(list: readonly number[]): number {
    return list.reduce((sum, i) => sum + this.problem.candidates[i]!.worth, 0);
  }

  private spacesOf(list: readonly number[]): number {
    return list.reduce((sum, i) => sum + this.problem.candidates[i]!.spaces, 0);
  }

  private joined(set: GrowingSet, list: readonly number[]): GrowingSet {
    return this.problem.limits.with(
      set,
      list.flatMap((i) => this.problem.loadIndex[i]!),
    );
  }

  private visit(branch: Branch): void {
    const { limits, circuits } = this.problem;
    const { set, decisions } = branch;
    this.visited += 1;
    this.askToStop();
    this.leaveOutWhatCannotJoin(branch);
    const kept = this.free.filter((i) => decisions[i] === 'kept');
    const open = this.free.filter((i) => decisions[i] === 'open');
    if (this.free.length - kept.length - open.length > this.leftOutRoom) return;
    const spacesLeft = circuits.spaces - this.baseSpaces - this.spacesOf(kept);
    const bound = this.boundOf(branch, kept, open, spacesLeft);
    if (this.cannotBeat(bound)) return;
    for (const core of branch.powerHolds ? [] : this.cores) bound.charge(core);
    if (bound.broken || this.cannotBeat(bound) || this.cutShort(bound)) return;

    const all = this.joined(set, open);
    const powerHolds = branch.powerHolds || limits.brokenPower(all) === null;
    if (powerHolds && this.spacesOf(open) <= spacesLeft && limits.runtimeHolds(all.hourlyWh)) {
      this.offer([...kept, ...open]);
      return;
    }
    if (this.visited === 1) this.offer(this.filledUp(open));
    if (!powerHolds && this.boundsByMoreCores(bound, kept, open)) return;
    if (open.length > 0) this.divide({ set, decisions, powerHolds }, open, spacesLeft);
  }

  /** What cannot join on its own is out, and with it everything heavier. */
  private leaveOutWhatCannotJoin({ set, decisions, powerHolds }: Branch): void {
    const { limits, loadIndex } = this.problem;
    for (const i of powerHolds ? [] : this.free) {
      if (decisions[i] === 'open' && loadIndex[i]!.some((load) => limits.cannotJoin(set, load)))
        decisions[i] = 'out';
    }
    for (const i of this.free) {
      if (decisions[i] === 'open' && this.lighter.get(i)!.some((light) => decisions[light] === 'out'))
        decisions[i] = 'out';
    }
  }

  private boundOf(
    { set, decisions }: Branch,
    kept: readonly number[],
    open: readonly number[],
    spacesLeft: number,
  ): WorthBound {
    const { candidates, energyRoomWh } = this.problem;
    const usedWh = set.hourlyWh.reduce((sum, wh) => sum + wh, 0);
    return new WorthBound(
      candidates.map(({ worth }) => worth),
      this.worthOf(kept),
      open,
      [
        { left: energyRoomWh - usedWh, takes: (i) => this.dayWh[i]! },
        { left: spacesLeft, takes: (i) => candidates[i]!.spaces },
      ],
      decisions,
    );
  }

  private cannotBeat(bound: WorthBound): boolean {
    const worth = bound.worth();
    return this.best !== null && worth <= this.best.worth;
  }

  private askToStop(): void {
    if (this.stop()) this.stopped = true;
  }

  /** Notes what a branch might still have brought, where the search is to end. */
  private cutShort(bound: WorthBound): boolean {
    if (this.stopped) this.openBound = Math.max(this.openBound, bound.worth());
    return this.stopped;
  }

  /**
   * As long as the power of what has worth left does not hold together, it contains another core, which lowers the bound.
   *
   * @returns true where that ends the branch
   */
  private boundsByMoreCores(bound: WorthBound, kept: readonly number[], open: readonly number[]): boolean {
    for (;;) {
      const { left } = bound;
      const remaining = open.filter((i) => left[i]! > 1e-9).toSorted((a, b) => left[b]! - left[a]!);
      const core = smallestCore([...remaining, ...kept], this.base, this.problem);
      if (core === null) return false;
      this.cores.push(core);
      bound.charge(core);
      if (bound.broken || this.cannotBeat(bound)) return true;
      this.askToStop();
      if (this.cutShort(bound)) return true;
    }
  }

  /** With the next candidate, and with everything lighter; then without it. */
  private divide(branch: Branch, open: readonly number[], spacesLeft: number): void {
    const { limits } = this.problem;
    const { set, decisions, powerHolds } = branch;
    const next = this.nextOf(open, decisions, powerHolds);
    const joining = [next, ...this.lighter.get(next)!.filter((light) => decisions[light] === 'open')];
    const joined = this.joined(set, joining);
    const fits =
      this.spacesOf(joining) <= spacesLeft &&
      limits.runtimeHolds(joined.hourlyWh) &&
      (powerHolds || limits.brokenPower(joined) === null);
    const decided = (list: readonly number[], decision: Decision): Decision[] => {
      const changed = decisions.slice();
      for (const i of list) changed[i] = decision;
      return changed;
    };
    if (fits) this.visit({ set: joined, decisions: decided(joining, 'kept'), powerHolds });
    this.visit({ set, decisions: decided([next], 'out'), powerHolds });
  }

  /** The candidate that stands in most of the cores that are not broken yet, for its worth; else the densest. */
  private nextOf(open: readonly number[], decisions: readonly Decision[], powerHolds: boolean): number {
    const stands = new Map<number, number>(open.map((i) => [i, 0]));
    for (const core of powerHolds ? [] : this.cores) {
      if (core.some((i) => decisions[i] === 'out')) continue;
      for (const i of core) if (stands.has(i)) stands.set(i, stands.get(i)! + 1);
    }
    const score = (i: number): number => stands.get(i)! / this.problem.candidates[i]!.worth;
    return open.reduce((a, b) => {
      const ahead = score(b) - score(a);
      return ahead > 0 || (ahead === 0 && this.density(b) > this.density(a)) ? b : a;
    });
  }

  /** Worth for what it takes of energy and spaces. */
  private density(i: number): number {
    const { candidates, energyRoomWh, circuits } = this.problem;
    return (
      candidates[i]!.worth / (1e-6 + this.dayWh[i]! / energyRoomWh + candidates[i]!.spaces / circuits.spaces)
    );
  }

  /** Candidates one by one, the densest first, as long as the set holds. */
  private filledUp(open: readonly number[]): readonly number[] {
    const holds = (list: readonly number[]): boolean =>
      this.baseSpaces + this.spacesOf(list) <= this.problem.circuits.spaces &&
      this.problem.limits.broken(this.joined(this.base, list)) === null;
    const kept: number[] = [];
    for (const i of open.toSorted((a, b) => this.density(b) - this.density(a)))
      if (holds([...kept, i])) kept.push(i);
    return kept;
  }

  private offer(kept: readonly number[]): void {
    const worth = this.worthOf(kept);
    if (this.free.length - kept.length > this.leftOutRoom || (this.best && worth <= this.best.worth)) return;
    this.best = { kept, worth };
  }
}
