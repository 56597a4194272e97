import { newJob } from '@levamen/core/job';
import type { SavedJob } from '@levamen/core/api';
import { describe, expect, it } from 'vitest';
import type { AdoptedDraft } from './device-database';
import type { DraftStore, LeftDraft } from './draft-store';
import { LeftDrafts } from './left-drafts';

const saved = { id: 'job', revision: 3, document: newJob('House') } as SavedJob;
const left = (tab: string, name: string | null, contains: readonly AdoptedDraft[] = []): LeftDraft =>
  ({
    tab,
    savedAt: 1,
    draft: name === null ? null : { document: newJob(name), base: newJob('House'), revision: 3, contains },
  }) as unknown as LeftDraft;

function store() {
  const removed: string[] = [];
  const drafts = new LeftDrafts({
    remove: (_: string, tab: string) => {
      removed.push(tab);
      return tab === 'stuck' ? Promise.reject(new Error('no')) : Promise.resolve();
    },
  } as unknown as DraftStore);
  return { drafts, removed };
}

describe('drafts of closed tabs', () => {
  it('that the server has are removed, the newest other one is taken up, the rest is offered', () => {
    const { drafts, removed } = store();
    const newest = drafts.sort(saved, [left('same', 'House'), left('new', 'New'), left('old', 'Old')]);
    expect([newest?.tab, removed]).toEqual(['new', ['same']]);
    expect(drafts.offered().map(({ tab }) => tab)).toEqual(['old']);
  });

  it('that went into the newest are neither offered nor removed: they go once that one is saved', () => {
    const { drafts, removed } = store();
    const newest = left('new', 'New', [{ tab: 'old', savedAt: 1 }]);
    // Written again after it had been taken up: there is more in it.
    const later = { ...left('old', 'Later'), savedAt: 2 };
    expect(drafts.sort(saved, [newest, left('old', 'Old')])?.tab).toBe('new');
    expect([drafts.offered(), removed]).toEqual([[], []]);
    drafts.sort(saved, [newest, later]);
    expect(drafts.offered()).toEqual([later]);
  });

  it('that cannot be read are offered, never taken up or removed', () => {
    const { drafts, removed } = store();
    expect(drafts.sort(saved, [left('odd', null)])).toBeNull();
    expect([drafts.offered().length, removed]).toEqual([1, []]);
  });

  it('are removed when somebody says so; one that cannot be removed is not offered again', async () => {
    const { drafts, removed } = store();
    drafts.sort(saved, [left('odd', null), left('stuck', null)]);
    const [odd, stuck] = drafts.offered();
    await drafts.discard('job', odd!);
    await drafts.discard('job', stuck!);
    expect([drafts.offered(), removed]).toEqual([[], ['odd', 'stuck']]);
  });
});
