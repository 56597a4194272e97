import { Big } from 'big.js';

/** Something that may be built. */
export interface Candidate {
  /** What it costs, decimal text. */
  readonly cost: string;
  /** Candidates of one family differ in their battery only: more of it never shortens an outage. */
  readonly family: string;
  readonly batteryWh: number;
}

/** How long a candidate lasts. */
export interface Lasts {
  /** What the front is of, h: hours that 19 of 20 outages reach. */
  readonly hoursH: number;
}

export interface FrontPoint<C extends Candidate, L extends Lasts> {
  readonly candidate: C;
  readonly lasts: L;
}

export interface PriceFront<C extends Candidate, L extends Lasts> {
  /** Cheapest first; each lasts longer than all that cost less. */
  readonly points: readonly FrontPoint<C, L>[];
  readonly simulated: number;
  /** Known to lie on no front without being simulated. */
  readonly pruned: number;
}

/** Cheapest first; of equal ones the one with more battery, which lasts no shorter. */
const byCost = (a: Candidate, b: Candidate): number =>
  new Big(a.cost).cmp(b.cost) || b.batteryWh - a.batteryWh;

/**
 * The front of price against hours: every candidate that lasts longer than all that cost no more.
 *
 * Candidates are played from the cheapest on. One is passed over only where one of its family with at least as much battery, which costs no more,
 * was played already and lasts no longer than the best so far: then neither does it. So the front is that of playing all of them.
 *
 * @param play simulates a candidate; null = it cannot be played
 * @param longestH what lasts so long is followed no further: nothing beats it
 * @param tell the front so far, and how many candidates are left
 * @param isOver nobody waits any more
 */
export async function priceFront<C extends Candidate, L extends Lasts>(
  candidates: readonly C[],
  play: (candidate: C) => Promise<L | null>,
  longestH: number,
  tell: (front: PriceFront<C, L>, left: number) => void = () => undefined,
  isOver: () => boolean = () => false,
): Promise<PriceFront<C, L>> {
  const sorted = candidates.toSorted(byCost);
  const points: FrontPoint<C, L>[] = [];
  const played = new Map<string, { readonly batteryWh: number; readonly hoursH: number }[]>();
  let bestH = -Infinity;
  let simulated = 0;
  let pruned = 0;
  const front = (): PriceFront<C, L> => ({ points: [...points], simulated, pruned });
  for (const [index, candidate] of sorted.entries()) {
    if (isOver()) break;
    const { family, batteryWh } = candidate;
    const known = played.get(family) ?? [];
    played.set(family, known);
    const boundH = known
      .filter((one) => one.batteryWh >= batteryWh)
      .reduce((least, { hoursH }) => Math.min(least, hoursH), longestH);
    if (boundH <= bestH) {
      pruned += 1;
      continue;
    }
    const lasts = await play(candidate);
    simulated += 1;
    if (lasts) {
      known.push({ batteryWh, hoursH: lasts.hoursH });
      if (lasts.hoursH > bestH) {
        bestH = lasts.hoursH;
        // Of two that cost the same the longer one counts.
        if (points.at(-1) && new Big(points.at(-1)!.candidate.cost).eq(candidate.cost)) points.pop();
        points.push({ candidate, lasts });
      }
    }
    tell(front(), sorted.length - index - 1);
  }
  return front();
}
