import { describe, expect, it } from 'vitest';
import { clover, companyItems } from '../testing/company-items.js';
import { checkDraft, type ItemDraft, newDraft } from './item-draft.js';
import { itemKindNames } from './item-kinds.js';

const changed = (ratings: object, head: Partial<ItemDraft> = {}): ItemDraft => ({
  ...clover,
  ...head,
  ratings: { ...clover.ratings, ...ratings },
});

describe('an item that is being entered', () => {
  it.each(itemKindNames)('%s: is not ready while it is empty, and what is needed is named', (kind) => {
    const checked = checkDraft(newDraft(kind, 'x'));
    expect(checked.ok).toBe(false);
    expect(checked.missing).toContain('name');
    expect(checked.doubts.filter(({ path }) => path !== 'ratings.nameplateWh')).toEqual([]);
  });

  it('is ready when it is whole', () => {
    for (const item of companyItems) expect(checkDraft(item)).toMatchObject({ ok: true, item });
  });

  it('is doubted as far as it goes, whatever is missing still', () => {
    const { missing, doubts } = checkDraft(changed({ output: null, chemistry: null, usableWh: 99_000 }));
    expect(missing).toEqual(['ratings.output', 'ratings.chemistry']);
    expect(doubts.map(({ path }) => path)).toEqual(['ratings.usableWh']);
  });

  it('is told what a field does not take', () => {
    expect(checkDraft(changed({ continuousVA: -3 })).doubts).toEqual([
      { path: 'ratings.continuousVA', message: 'Enter at least 100 VA', refuses: true },
    ]);
    const unsaid = { sources: [{ field: 'massKg', source: '' }] };
    expect(checkDraft(changed({}, unsaid)).doubts[0]!.message).toBe('Say where it was read');
  });
});
