import { describe, expect, it } from 'vitest';
import { sampleLine } from '../../equipment/index.js';
import { clover, cloverPack, companyItems, daisy } from '../../equipment/testing/company-items.js';
import { emptyPlan } from '../plan/empty-plan.js';
import { compareLists } from './compare-lists.js';
import { sampleLineOnly } from './equipment-list.schema.js';
import { itemsFor, nothingOffered } from './items-for.js';
import { moveToList } from './move-to-list.js';

const use = (kept = [clover]) => ({ ...sampleLineOnly(), kept });

describe('what a job is designed with', () => {
  it('is the sample line where there is no company', () => {
    expect(itemsFor(sampleLineOnly(), nothingOffered)).toEqual(sampleLine);
  });

  it('keeps what it uses though nobody offers it any more', () => {
    const items = itemsFor(use(), { items: [daisy], sampleHidden: true });
    expect(items.filter(({ retired }) => !retired)).toEqual([daisy]);
    expect(items.find(({ id }) => id === clover.id)).toEqual({ ...clover, retired: true });
    expect(itemsFor(use(), { items: [clover], sampleHidden: false }).at(-1)).toEqual(clover);
  });

  it('says what a newer list would change of what it uses', () => {
    const heavier = { ...clover, massKg: 150 };
    const { changed, gone, others } = compareLists(
      companyItems,
      [heavier, { ...cloverPack, retired: true }, { ...daisy, id: 'new', name: 'New' }],
      new Set([clover.id, cloverPack.id]),
    );
    expect(changed).toEqual([
      { name: 'Clover 68', changes: [{ label: 'Mass', before: '141 kg', after: '150 kg' }] },
    ]);
    expect(gone).toEqual(['Clover pack']);
    expect(others).toBe(companyItems.length - 2 + 1);
    expect(compareLists(companyItems, companyItems, new Set([clover.id]))).toEqual({
      changed: [],
      gone: [],
      others: 0,
    });
  });

  it('moves to a newer list with what it keeps', () => {
    const heavier = { ...clover, massKg: 150 };
    const workspaceId = '5c1f4a52-9a35-4d0c-8f0e-2f6b8a7f0001';
    const plan = { ...emptyPlan(), equipmentList: use([clover, daisy]) };
    const moved = moveToList(plan, { workspaceId, revision: 4, items: [heavier] });
    expect(moved.equipmentList).toEqual({ workspaceId, revision: 4, kept: [heavier, daisy] });
  });
});
