import { allows } from './every-standing.js';
import { hazardKey } from './dangerous-standings.js';
import { NetworkInNumbers } from './network-in-numbers.js';
import { type Situation, situationsOf, type Standing, type SwitchNetwork } from './switch-network.js';

/** In which order handles are moved, there and back. */
export interface SwitchingOrder {
  /** null = no order keeps every step safe. */
  readonly there: readonly Standing[] | null;
  readonly back: readonly Standing[] | null;
}

type Handles = Readonly<Record<string, string>>;

/**
 * An order in which handles can be moved one by one so that no step endangers anybody in any situation: each is allowed by the interlocks, and brings no
 * danger that is not there at the beginning or the end. Of the orders that hold, the first by what is to be moved early.
 *
 * @param moves where handles end up that usually stand elsewhere
 * @param early what is moved first on the way there, and last on the way back: the smaller the earlier
 */
export function switchingOrder(
  network: SwitchNetwork,
  moves: readonly Standing[],
  early: (handle: string) => number,
): SwitchingOrder {
  const usual: Handles = Object.fromEntries(network.handles.map(({ id, positions }) => [id, positions[0]]));
  const end: Handles = { ...usual, ...Object.fromEntries(moves.map((move) => [move.handle, move.position])) };
  const numbers = new NetworkInNumbers(network);
  const situations = situationsOf(network);
  const dangersAt = (standing: Handles, situation: Situation): ReadonlySet<string> =>
    new Set(numbers.hazards(numbers.inOrder(standing), situation).map(hazardKey));
  const known = situations.map(
    (situation) => new Set([...dangersAt(usual, situation), ...dangersAt(end, situation)]),
  );
  const isSafe = (standing: Handles): boolean =>
    allows(network.interlocks, standing) &&
    situations.every((situation, index) =>
      [...dangersAt(standing, situation)].every((danger) => known[index]!.has(danger)),
    );
  const search = (standing: Handles, left: readonly Standing[]): readonly Standing[] | null => {
    if (left.length === 0) return [];
    for (const move of left) {
      const next = { ...standing, [move.handle]: move.position };
      if (!isSafe(next)) continue;
      const rest = search(
        next,
        left.filter((one) => one !== move),
      );
      if (rest) return [move, ...rest];
    }
    return null;
  };
  const ordered = moves.toSorted((a, b) => early(a.handle) - early(b.handle));
  const backwards = ordered
    .toReversed()
    .map(({ handle }): Standing => ({ handle, position: usual[handle]! }));
  return { there: search(usual, ordered), back: search(end, backwards) };
}
