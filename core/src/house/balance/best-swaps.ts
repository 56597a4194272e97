/** A one-pole breaker that may change places, or a free space (weight 0, no id). */
export interface SwapItem {
  readonly id: string | null;
  readonly space: number;
  /** Index of its leg. */
  readonly leg: number;
  /** What it puts on its leg, VA. */
  readonly powerVA: number;
}

/** Two spaces change places. */
export interface Swap {
  readonly from: SwapItem;
  readonly to: SwapItem;
  /** By how much the difference between the legs falls when this swap follows those before it, VA. */
  readonly effectVA: number;
}

export interface SwapPlan {
  readonly swaps: readonly Swap[];
  readonly legsVA: readonly number[];
  /** Busiest leg minus idlest leg, VA. */
  readonly imbalanceVA: number;
}

export const imbalanceVA = (legsVA: readonly number[]): number => Math.max(...legsVA) - Math.min(...legsVA);

interface Subset {
  readonly sumVA: number;
  readonly items: readonly SwapItem[];
}

/** All subsets of exactly `size` items, by their sum. */
function subsets(items: readonly SwapItem[], size: number): Subset[] {
  const found: Subset[] = [];
  const chosen: SwapItem[] = [];
  const walk = (start: number, sumVA: number): void => {
    if (chosen.length === size) {
      found.push({ sumVA, items: [...chosen] });
      return;
    }
    for (let i = start; i <= items.length - (size - chosen.length); i += 1) {
      chosen.push(items[i]!);
      walk(i + 1, sumVA + items[i]!.powerVA);
      chosen.pop();
    }
  };
  walk(0, 0);
  return found.sort((a, b) => a.sumVA - b.sumVA);
}

const afterSwap = (legsVA: readonly number[], a: SwapItem, b: SwapItem): number[] =>
  legsVA.map((va, leg) =>
    leg === a.leg ? va - a.powerVA + b.powerVA : leg === b.leg ? va - b.powerVA + a.powerVA : va,
  );

/** Puts pairs into the order of their effect: each step is the one that helps most of those left. */
function inOrder(legsVA: readonly number[], pairs: readonly (readonly [SwapItem, SwapItem])[]): SwapPlan {
  let left = [...pairs];
  let now = [...legsVA];
  const swaps: Swap[] = [];
  while (left.length > 0) {
    const before = imbalanceVA(now);
    const best = left.reduce((a, b) =>
      imbalanceVA(afterSwap(now, ...b)) < imbalanceVA(afterSwap(now, ...a)) ? b : a,
    );
    now = afterSwap(now, ...best);
    const [from, to] = best[0].id === null ? [best[1], best[0]] : best;
    swaps.push({ from, to, effectVA: before - imbalanceVA(now) });
    left = left.filter((pair) => pair !== best);
  }
  return { swaps, legsVA: now, imbalanceVA: imbalanceVA(now) };
}

/** Exact for two legs: of all sets of `count` breakers on one leg and `count` on the other, the pair that comes closest. */
function bestForTwo(items: readonly SwapItem[], legsVA: readonly number[], count: number): SwapPlan | null {
  const [left, right] = [0, 1].map((leg) =>
    subsets(
      items.filter((item) => item.leg === leg),
      count,
    ),
  ) as [Subset[], Subset[]];
  if (left.length === 0 || right.length === 0) return null;
  const wanted = (legsVA[0]! - legsVA[1]!) / 2;
  let best: readonly [Subset, Subset] | null = null;
  let bestMiss = Infinity;
  // Both lists rise: for each subset on the left the partner on the right moves one way only.
  let j = 0;
  for (const a of left) {
    const target = a.sumVA - wanted;
    while (
      j + 1 < right.length &&
      Math.abs(right[j + 1]!.sumVA - target) <= Math.abs(right[j]!.sumVA - target)
    )
      j += 1;
    const miss = Math.abs(right[j]!.sumVA - target);
    if (miss < bestMiss - 1e-9) {
      bestMiss = miss;
      best = [a, right[j]!];
    }
  }
  if (!best) return null;
  const [a, b] = best;
  const up = a.items.toSorted((x, y) => x.powerVA - y.powerVA);
  const down = b.items.toSorted((x, y) => y.powerVA - x.powerVA);
  return inOrder(
    legsVA,
    up.map((item, i) => [item, down[i]!] as const),
  );
}

/** Exact for any number of legs, one or two swaps: every pair, and every two pairs. */
function bestForMany(items: readonly SwapItem[], legsVA: readonly number[], count: number): SwapPlan | null {
  const pairs = items.flatMap((a, i) =>
    items
      .slice(i + 1)
      .flatMap((b) => (a.leg !== b.leg && (a.id !== null || b.id !== null) ? [[a, b] as const] : [])),
  );
  let best: (readonly [SwapItem, SwapItem])[] | null = null;
  let bestVA = Infinity;
  for (let i = 0; i < pairs.length; i += 1) {
    const one = afterSwap(legsVA, ...pairs[i]!);
    if (count === 1) {
      if (imbalanceVA(one) < bestVA - 1e-9) [best, bestVA] = [[pairs[i]!], imbalanceVA(one)];
      continue;
    }
    const [p, q] = pairs[i]!;
    for (let k = i + 1; k < pairs.length; k += 1) {
      const [r, s] = pairs[k]!;
      if (r === p || r === q || s === p || s === q) continue;
      const difference = imbalanceVA(afterSwap(one, r, s));
      if (difference < bestVA - 1e-9) [best, bestVA] = [[pairs[i]!, pairs[k]!], difference];
    }
  }
  return best && inOrder(legsVA, best);
}

/**
 * The swaps that balance the legs best: for each number of swaps the exact best, as long as one more still helps.
 *
 * Two legs: up to four swaps, by pairing the subset sums of both legs. Three legs: up to two, by trying every one.
 * A swap with a free space is a move. Of equal plans the one with fewer swaps is kept.
 *
 * @param items breakers that may move, and free spaces
 * @param legsVA present power on each leg, everything else included
 */
export function bestSwaps(items: readonly SwapItem[], legsVA: readonly number[]): SwapPlan[] {
  if (legsVA.length < 2) return [];
  const most = legsVA.length === 2 ? 4 : 2;
  // Of the free spaces of a leg no more than the swaps could use; they are all alike.
  const useful = legsVA.flatMap((_, leg) => {
    const here = items.filter((item) => item.leg === leg);
    return [...here.filter(({ id }) => id !== null), ...here.filter(({ id }) => id === null).slice(0, most)];
  });
  const plans: SwapPlan[] = [];
  let lowestVA = imbalanceVA(legsVA);
  for (let count = 1; count <= most; count += 1) {
    const plan = legsVA.length === 2 ? bestForTwo(useful, legsVA, count) : bestForMany(useful, legsVA, count);
    if (!plan || plan.imbalanceVA > lowestVA - 1) continue;
    lowestVA = plan.imbalanceVA;
    plans.push(plan);
  }
  return plans;
}
