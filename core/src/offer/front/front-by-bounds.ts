/** Something that may be built. */
export interface Candidate {
  /** What it costs; only its order counts. */
  readonly cost: number;
  /** Candidates of one family differ in their battery only. */
  readonly family: string;
  readonly batteryWh: number;
  /** About how well it does, by a quick formula: what looks best is simulated first. It decides nothing. */
  readonly guess: number;
}

/** One or several figures of a candidate, of which more is better. */
export type Objectives = readonly number[];

export interface FrontPoint<C> {
  readonly candidate: C;
  readonly value: Objectives;
}

export interface FrontSoFar<C> {
  /** Of each objective, cheapest first: what is better than everything that costs no more. */
  readonly fronts: readonly (readonly FrontPoint<C>[])[];
  readonly simulated: number;
  /** Known to lie on no front without being simulated. */
  readonly pruned: number;
  readonly left: number;
}

export interface FrontRun<C> {
  /** Simulates a candidate; null = it cannot be played. */
  readonly play: (candidate: C) => Promise<Objectives | null>;
  /** The best each objective can be: what reaches it is followed no further. */
  readonly best: Objectives;
  /** What a candidate can do at best, where more than `best` is known of it. */
  readonly atMost?: (candidate: C) => Objectives;
  /** Says nothing of one candidate by what others do: for objectives that more battery can make smaller. */
  readonly eachAlone?: boolean;
  /** How many may be played at once. */
  readonly atOnce?: number;
  readonly tell?: (front: FrontSoFar<C>) => void;
  /** Nobody waits any more. */
  readonly isOver?: () => boolean;
}

/**
 * The fronts of cost against each objective over candidates, as if all of them had been simulated.
 *
 * More battery never makes an objective smaller: so what a family does lies between what its smaller and its larger members were
 * simulated to do. A candidate is passed over once, for every objective, something that costs no more is known to do at least as
 * well as it could at best. What looks best comes first, which says what there is to beat; then of each family the largest that is
 * still open, which bounds everything smaller.
 */
export async function frontByBounds<C extends Candidate>(
  candidates: readonly C[],
  {
    play,
    best,
    atMost = () => best,
    eachAlone = false,
    atOnce = 1,
    tell = () => undefined,
    isOver = () => false,
  }: FrontRun<C>,
): Promise<FrontSoFar<C>> {
  const sorted = candidates.toSorted((a, b) => a.cost - b.cost || b.batteryWh - a.batteryWh);
  const values: (Objectives | null | undefined)[] = sorted.map(() => undefined);
  const familyOf = (index: number): string => (eachAlone ? String(index) : sorted[index]!.family);
  const families = new Map<string, number[]>();
  for (const index of sorted.keys()) {
    const members = families.get(familyOf(index)) ?? [];
    families.set(familyOf(index), members);
    members.push(index);
  }
  for (const members of families.values())
    members.sort((a, b) => sorted[a]!.batteryWh - sorted[b]!.batteryWh);

  /** What each could do at worst and at best, by what was simulated. */
  const least = sorted.map(() => best.map(() => -Infinity));
  const most = sorted.map((one) => [...atMost(one)]);
  const bound = (index: number): void => {
    const { batteryWh } = sorted[index]!;
    const value = values[index];
    if (!value) return;
    for (const other of families.get(familyOf(index))!)
      for (const [j, at] of value.entries()) {
        if (sorted[other]!.batteryWh >= batteryWh) least[other]![j] = Math.max(least[other]![j]!, at);
        if (sorted[other]!.batteryWh <= batteryWh) most[other]![j] = Math.min(most[other]![j]!, at);
      }
  };
  /** Those that may still lie on a front and were not simulated. */
  const open = (): Set<number> => {
    const found = new Set<number>();
    const highest = best.map(() => -Infinity);
    for (let index = 0; index < sorted.length; index += 1) {
      if (values[index] === undefined && most[index]!.some((at, j) => at > highest[j]!)) found.add(index);
      for (const [j, at] of least[index]!.entries()) highest[j] = Math.max(highest[j]!, at);
    }
    return found;
  };
  const frontWith = (left: number): FrontSoFar<C> => {
    const simulated = values.reduce((sum, value) => sum + (value === undefined ? 0 : 1), 0);
    return {
      fronts: best.map((_, j) => frontOf(sorted, values, j)),
      simulated,
      pruned: sorted.length - simulated - left,
      left,
    };
  };

  for (;;) {
    const still = open();
    if (still.size === 0 || isOver()) return frontWith(still.size);
    const promising = looksBest(sorted, still);
    const largest = [...families.values()].flatMap((members) => {
      const index = members.findLast((one) => still.has(one));
      return index === undefined ? [] : [index];
    });
    // What says nothing of others waits until it is the most promising.
    const round = eachAlone ? promising : [...new Set([...promising, ...largest])];
    let next = 0;
    const runner = async (): Promise<void> => {
      while (next < round.length && !isOver()) {
        const index = round[next]!;
        next += 1;
        if (values[index] !== undefined || !open().has(index)) continue;
        values[index] = await play(sorted[index]!);
        bound(index);
        tell(frontWith(open().size));
      }
    };
    await Promise.all(Array.from({ length: Math.max(1, atOnce) }, runner));
  }
}

/** Of those that are open, what would be the front if every guess were right. */
function looksBest(sorted: readonly Candidate[], still: ReadonlySet<number>): number[] {
  let highest = -Infinity;
  return sorted.flatMap(({ guess }, index) => {
    if (!still.has(index) || guess <= highest) return [];
    highest = guess;
    return [index];
  });
}

/** What was simulated to be better than everything that costs no more, in one objective. */
function frontOf<C extends Candidate>(
  sorted: readonly C[],
  values: readonly (Objectives | null | undefined)[],
  j: number,
): FrontPoint<C>[] {
  const points: FrontPoint<C>[] = [];
  for (const [index, value] of values.entries()) {
    if (!value) continue;
    const last = points.at(-1);
    if (last && value[j]! <= last.value[j]!) continue;
    // Of two that cost the same the better one counts.
    if (last && last.candidate.cost === sorted[index]!.cost) points.pop();
    points.push({ candidate: sorted[index]!, value });
  }
  return points;
}
