import { effect, linkedSignal, type Signal, signal, untracked } from '@angular/core';

/** Rows that are drawn anew in one go: some hundredths of a second. */
const rowsAtOnce = 60;

/** How rows are told apart. */
export interface RowIdentity<T> {
  /** What makes a row the same row. */
  readonly keyOf: (row: T) => string;
  /** Nothing that is drawn differs; the same object where it is left out. */
  readonly alike?: (one: T, other: T) => boolean;
}

/**
 * A step from what is drawn towards what should be.
 *
 * @param drawn what is on the screen
 * @param goal what should be; returned itself once it is reached
 * @param identity how rows are told apart
 * @param urgent key of the row that cannot wait
 * @param most how many other rows may be drawn anew; the first ones of the list are
 * @returns rows of the goal, and older ones of the same keys in the place of those that wait; new ones that wait are left out
 */
export function stepTowards<T>(
  drawn: readonly T[],
  goal: readonly T[],
  { keyOf, alike = Object.is }: RowIdentity<T>,
  urgent: string | null,
  most = rowsAtOnce,
): readonly T[] {
  const before = new Map(drawn.map((row) => [keyOf(row), row]));
  let left = most;
  let waits = false;
  const next = goal.flatMap((row) => {
    const old = before.get(keyOf(row));
    if (keyOf(row) === urgent || (old !== undefined && alike(old, row))) return [row];
    if (left > 0) {
      left -= 1;
      return [row];
    }
    waits = true;
    return old === undefined ? [] : [old];
  });
  return waits ? next : goal;
}

/**
 * A list of rows as it is to be drawn: a long one some rows after the other, so that the page answers to keys in between.
 * Needs an injection context.
 *
 * @param goal the whole list
 * @param identity how rows are told apart
 * @param urgent key of the row that is drawn at once, say the one with the focus
 */
export function inPieces<T>(
  goal: Signal<readonly T[]>,
  identity: RowIdentity<T>,
  urgent: Signal<string | null>,
): Signal<readonly T[]> {
  const round = signal(0);
  const drawn = linkedSignal<
    { readonly goal: readonly T[]; readonly urgent: string | null; readonly round: number },
    readonly T[]
  >({
    source: () => ({ goal: goal(), urgent: urgent(), round: round() }),
    computation: (wanted, previous) =>
      stepTowards(previous?.value ?? [], wanted.goal, identity, wanted.urgent),
  });
  effect((onCleanup) => {
    if (drawn() === goal()) return;
    const timer = setTimeout(() => round.set(untracked(round) + 1));
    onCleanup(() => clearTimeout(timer));
  });
  return drawn;
}
