import type { Decision } from './set-problem.js';

/** The most worth that a room can hold of some candidates, of which parts may be taken. */
function fractionalKnapsack(
  open: readonly number[],
  worth: Float64Array,
  room: number,
  takes: (candidate: number) => number,
): number {
  let had = 0;
  if (room === Infinity) {
    for (const i of open) had += worth[i]!;
    return had;
  }
  let rest = room;
  for (const i of open.toSorted((a, b) => worth[b]! * takes(a) - worth[a]! * takes(b))) {
    const taken = takes(i);
    if (taken > rest) return had + (worth[i]! * Math.max(0, rest)) / taken;
    had += worth[i]!;
    rest -= taken;
  }
  return had;
}

/** Something of which there is only so much, and what each candidate takes of it. */
export interface Room {
  readonly left: number;
  readonly takes: (candidate: number) => number;
}

/**
 * An upper bound on the worth that open candidates can still bring, by dual ascent: each core in turn takes the smallest worth
 * that is left among its open members from all of them, and gives back all shares but one, since one member must go. What is
 * left of the worths goes through a fractional knapsack for each room.
 */
export class WorthBound {
  /** What is left of the worths. */
  readonly left: Float64Array;
  /** Worth had within the cores that were charged; Infinity where a core is kept whole, which breaks the set. */
  private inCores = 0;
  private lowest = Infinity;

  constructor(
    worths: readonly number[],
    private readonly keptWorth: number,
    private readonly open: readonly number[],
    private readonly rooms: readonly Room[],
    private readonly decisions: readonly Decision[],
  ) {
    this.left = Float64Array.from(worths);
  }

  /** Whether some core is kept whole. */
  get broken(): boolean {
    return this.inCores === Infinity;
  }

  charge(core: readonly number[]): void {
    this.inCores += this.shareOf(core);
  }

  private shareOf(core: readonly number[]): number {
    let least = Infinity;
    let open = 0;
    for (const i of core) {
      if (this.decisions[i] === 'out') return 0;
      if (this.decisions[i] !== 'open') continue;
      open += 1;
      least = Math.min(least, this.left[i]!);
    }
    if (open === 0) return Infinity;
    if (least <= 0) return 0;
    for (const i of core) if (this.decisions[i] === 'open') this.left[i]! -= least;
    return least * (open - 1);
  }

  /** The lowest bound so far. Worths are whole numbers. */
  worth(): number {
    const rest = Math.min(
      ...this.rooms.map(({ left, takes }) => fractionalKnapsack(this.open, this.left, left, takes)),
    );
    this.lowest = Math.min(this.lowest, Math.floor(this.keptWorth + this.inCores + rest + 1e-9));
    return this.lowest;
  }
}
