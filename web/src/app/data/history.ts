/** One step that can be undone. */
export interface Step<T> {
  readonly label: string;
  readonly before: T;
}

/** Past and future of a value; immutable, so that a signal can hold it. */
export interface History<T> {
  readonly present: T;
  readonly past: readonly Step<T>[];
  readonly future: readonly Step<T>[];
}

const maxSteps = 300;

export const startHistory = <T>(present: T): History<T> => ({ present, past: [], future: [] });

/** Takes a new value; the future is forgotten. An unchanged value changes nothing. */
export function record<T>(history: History<T>, label: string, next: T): History<T> {
  if (next === history.present) return history;
  return {
    present: next,
    past: [...history.past, { label, before: history.present }].slice(-maxSteps),
    future: [],
  };
}

/** One step back; without a past nothing changes. */
export function undo<T>(history: History<T>): History<T> {
  const step = history.past.at(-1);
  if (!step) return history;
  return {
    present: step.before,
    past: history.past.slice(0, -1),
    future: [{ label: step.label, before: history.present }, ...history.future],
  };
}

/** One step forward again. */
export function redo<T>(history: History<T>): History<T> {
  const [step, ...future] = history.future;
  if (!step) return history;
  return {
    present: step.before,
    past: [...history.past, { label: step.label, before: history.present }],
    future,
  };
}
