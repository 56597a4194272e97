import { computed, type Signal, untracked } from '@angular/core';
import { type Form, formOf } from './form';

/** An entry of a list as a form. */
export interface EntryForm<T extends object> {
  readonly id: string;
  readonly value: Signal<T>;
  readonly form: Form<T>;
}

/**
 * A form for each entry of a list; they stay the same ones while only what stands in the entries changes.
 *
 * @param shape of the schema of an entry
 * @param list the entries as they are
 * @param set takes an edit of the list
 */
export function formsOf<T extends { readonly id: string }>(
  shape: Form<T>['shape'],
  list: Signal<readonly T[]>,
  set: (edit: (all: readonly T[]) => T[], label: string) => void,
  more: Partial<Pick<Form<T>, 'units'>> = {},
): Signal<readonly EntryForm<T>[]> {
  const ids = computed(() => list().map(({ id }) => id), { equal: (a, b) => a.join() === b.join() });
  return computed(() => {
    ids();
    return untracked(list).map((first) => {
      const { id } = first;
      // An entry that has just been taken away is still asked for what stood in it.
      const value = computed(() => list().find((one) => one.id === id) ?? first);
      const form = formOf<T>(
        shape,
        value,
        (change, label) =>
          set((all) => all.map((one) => (one.id === id ? { ...one, ...change } : one)), label),
        more,
      );
      return { id, value, form };
    });
  });
}
