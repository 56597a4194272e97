/** One step that can be undone. */
export interface Step<T> {
  readonly label: string;
  readonly before: T;
  /** How many merges had come when the step was made. */
  readonly epoch: number;
}

/** What somebody else did, taken in between the steps: undo must not take it back. */
export interface Merge<T> {
  readonly base: T;
  readonly theirs: T;
}

/** Past and future of a value; immutable, so that a signal can hold it, and plain, so that a device can keep it. */
export interface History<T> {
  readonly present: T;
  readonly past: readonly Step<T>[];
  readonly future: readonly Step<T>[];
  readonly merges: readonly Merge<T>[];
}

/** Brings a value from before some merges up to the present: with what the others did. */
export type CarryOver<T> = (value: T, merge: Merge<T>) => T;

const maxSteps = 300;

export const startHistory = <T>(present: T): History<T> => ({ present, past: [], future: [], merges: [] });

/** Takes a new value; the future is forgotten. An unchanged value changes nothing. */
export function record<T>(history: History<T>, label: string, next: T): History<T> {
  if (next === history.present) return history;
  return {
    ...history,
    present: next,
    past: [...history.past, step(history, label)].slice(-maxSteps),
    future: [],
  };
}

/** Takes a value that continues the last step: typing goes on. */
export function amend<T>(history: History<T>, next: T): History<T> {
  return { ...history, present: next, future: [] };
}

/** Takes in what somebody else did; the steps stay what they were: mine. */
export function takeIn<T>(history: History<T>, merged: T, merge: Merge<T>): History<T> {
  return { ...history, present: merged, merges: [...history.merges, merge] };
}

/** One step back; without a past nothing changes. */
export function undo<T>(history: History<T>, carryOver: CarryOver<T>): History<T> {
  const last = history.past.at(-1);
  if (!last) return history;
  return {
    ...history,
    present: carried(history, last, carryOver),
    past: history.past.slice(0, -1),
    future: [step(history, last.label), ...history.future],
  };
}

/** One step forward again. */
export function redo<T>(history: History<T>, carryOver: CarryOver<T>): History<T> {
  const [next, ...future] = history.future;
  if (!next) return history;
  return {
    ...history,
    present: carried(history, next, carryOver),
    past: [...history.past, step(history, next.label)],
    future,
  };
}

const step = <T>({ present, merges }: History<T>, label: string): Step<T> => ({
  label,
  before: present,
  epoch: merges.length,
});

const carried = <T>({ merges }: History<T>, { before, epoch }: Step<T>, carryOver: CarryOver<T>): T =>
  merges.slice(epoch).reduce(carryOver, before);
