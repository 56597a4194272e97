/** A position of a kind of unit, with what it costs. */
export interface Position {
  readonly x: number;
  readonly y: number;
  readonly cost: number;
}

/** One kind of unit, and how many of it are to be put up. */
export interface Kind {
  readonly quantity: number;
  /** Where one of it may be by itself; cheapest first. */
  readonly positions: readonly Position[];
}

/** Units already put up: kind and position. */
export type Chosen = readonly { readonly kind: number; readonly position: Position }[];

/** What an arrangement must keep. Both may only ever say no more often as things are added. */
export interface Constraints {
  /** May these two stand beside each other? */
  together(kind: number, position: Position, otherKind: number, other: Position): boolean;
  /** Is the whole arrangement allowed? */
  whole(chosen: Chosen): boolean;
}

export interface BestArrangement {
  /** null = there is none, or none was found before the search was ended. */
  readonly chosen: Chosen | null;
  readonly cost: number;
  /** Every other arrangement is known to cost as much at least; else the search was ended before. */
  readonly proved: boolean;
}

/**
 * The cheapest arrangement of units, exactly, by branch and bound with forward checking: units of a kind take positions in the order of their cost (equal units are the same in any order); with every choice the positions
 * that do not go with it are struck out for the rest; what is left costs at least the cheapest position that remains for each unit, and at least what it costs by itself without those before (solved first, unit by unit: the
 * bound of nested dolls).
 *
 * @param mostLooks positions looked at, all bounds together, before it gives up proving
 */
export function bestArrangement(
  kinds: readonly Kind[],
  constraints: Constraints,
  mostLooks = Infinity,
): BestArrangement {
  const order = kinds.flatMap((kind, index) => Array.from({ length: kind.quantity }, () => index));
  let looks = 0;
  // Half of it is for the whole, the rest for its parts.
  let budget = mostLooks / 2 / Math.max(1, order.length - 1);
  let ended = false;

  /** The cheapest of the units from `first` to the last; costs of fewer of them are known in `tails`. */
  const solve = (first: number, tails: readonly number[], isWhole: boolean): BestArrangement => {
    let best: Chosen | null = null;
    let bestCost = Infinity;
    const chosen: { kind: number; position: Position }[] = [];
    /** @param left positions of each kind that go with everything chosen, cheapest first; those of the present kind after the last chosen one */
    const place = (at: number, left: readonly (readonly Position[])[], sum: number): void => {
      const kind = order[at]!;
      const positions = left[kind]!;
      let sameKind = 0;
      while (order[at + 1 + sameKind] === kind) sameKind += 1;
      let others = 0;
      for (let next = at + 1 + sameKind; next < order.length; next += 1) {
        const cheapest = left[order[next]!]![0];
        if (!cheapest) return;
        others += cheapest.cost;
      }
      others = Math.max(others, tails[at + 1 + sameKind]!);
      for (let index = 0; index < positions.length; index += 1) {
        const position = positions[index]!;
        const least = sum + position.cost + Math.max(tails[at + 1]!, sameKind * position.cost + others);
        if (least >= bestCost - 1e-9) return;
        looks += 1;
        if (looks > budget) {
          ended = true;
          return;
        }
        chosen.push({ kind, position });
        const now = sum + position.cost;
        if (at + 1 === order.length) {
          if (!isWhole || constraints.whole(chosen)) {
            bestCost = now;
            best = [...chosen];
          }
        } else {
          // A position that costs more than this cannot be part of anything better.
          const mostCost = bestCost - now;
          const rest = left.map((of, ofKind) => {
            if (ofKind < kind) return of;
            const kept: Position[] = [];
            for (let other = ofKind === kind ? index + 1 : 0; other < of.length; other += 1) {
              const one = of[other]!;
              if (one.cost >= mostCost) break;
              if (constraints.together(kind, position, ofKind, one)) kept.push(one);
            }
            looks += of.length / 16;
            return kept;
          });
          if (rest[kind]!.length >= sameKind) place(at + 1, rest, now);
        }
        chosen.pop();
        if (ended) return;
      }
    };
    place(
      first,
      kinds.map(({ positions }) => positions),
      0,
    );
    return { chosen: best, cost: bestCost, proved: !ended };
  };

  if (order.length === 0) return { chosen: [], cost: 0, proved: true };
  const tails = new Array<number>(order.length + 1).fill(0);
  for (let first = order.length - 1; first > 0; first -= 1) {
    const tail = solve(first, tails, false);
    // What a part cannot do, the whole cannot.
    if (tail.proved && !tail.chosen) return tail;
    tails[first] = tail.proved ? tail.cost : tails[first + 1]!;
    ended = false;
    looks = 0;
  }
  budget = mostLooks / 2;
  return solve(0, tails, true);
}
