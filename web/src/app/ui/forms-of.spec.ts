import { computed, signal } from '@angular/core';
import * as z from 'zod';
import { describe, expect, it } from 'vitest';
import { formsOf } from './forms-of';

const entrySchema = z.object({ id: z.string(), name: z.string() });
type Entry = z.infer<typeof entrySchema>;

const formsOver = (first: readonly Entry[]) => {
  const list = signal(first);
  const said: string[] = [];
  const forms = formsOf<Entry>(entrySchema.shape, list, (edit, label) => {
    said.push(label);
    list.set(edit(list()));
  });
  return { list, said, forms };
};

describe('forms of a list', () => {
  it('edit their own entry, and stay the same ones while they do', () => {
    const { list, said, forms } = formsOver([
      { id: 'a', name: 'one' },
      { id: 'b', name: 'two' },
    ]);
    const before = forms();
    before[1]!.form.set({ name: 'three' }, 'name');
    expect(list()).toEqual([
      { id: 'a', name: 'one' },
      { id: 'b', name: 'three' },
    ]);
    expect(said).toEqual(['name']);
    expect(forms()).toBe(before);
    expect(before[1]!.value().name).toBe('three');
  });

  it('follow an edit that came from elsewhere, after entries came and went', () => {
    const { list, forms } = formsOver([{ id: 'a', name: 'one' }]);
    list.set([
      { id: 'b', name: 'new' },
      { id: 'a', name: 'one' },
    ]);
    const names = computed(() => forms().map(({ id, value }) => `${id} ${value().name}`));
    expect(names()).toEqual(['b new', 'a one']);
    list.update((all) => all.map((entry) => ({ ...entry, name: entry.name.toUpperCase() })));
    expect(names()).toEqual(['b NEW', 'a ONE']);
  });

  it('still say what stood in an entry that was taken away', () => {
    const { list, forms } = formsOver([{ id: 'a', name: 'one' }]);
    const [gone] = forms();
    list.set([]);
    expect(forms()).toEqual([]);
    expect(gone!.value()).toEqual({ id: 'a', name: 'one' });
  });
});
