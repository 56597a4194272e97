import { newJob } from '@levamen/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { DraftStore } from './draft-store';

const draft = (name: string, savedAt: number) => ({ baseRevision: 3, document: newJob(name), savedAt });

describe('drafts on this device', () => {
  beforeEach(() => {
    localStorage.clear();
    sessionStorage.clear();
  });

  it('are kept until the server has them', () => {
    const store = new DraftStore();
    expect(store.write('job', draft('Mine', 1))).toBe(true);
    expect(store.take('job')).toEqual(draft('Mine', 1));
    store.clear('job');
    expect(store.take('job')).toBeNull();
  });

  it('of a tab that was closed are taken over, the newest one', () => {
    new DraftStore().write('job', draft('Older', 1));
    sessionStorage.clear();
    new DraftStore().write('job', draft('Newer', 2));
    sessionStorage.clear();
    const store = new DraftStore();
    expect(store.take('job')?.document.name).toBe('Newer');
    expect(store.take('job')?.document.name).toBe('Newer');
    expect(store.take('other job')).toBeNull();
  });

  it('that were damaged are ignored', () => {
    localStorage.setItem('levamen.draft.job.x', '{"document":');
    localStorage.setItem(
      'levamen.draft.job.y',
      JSON.stringify({ baseRevision: 1, savedAt: 1, document: { format: 'other' } }),
    );
    expect(new DraftStore().take('job')).toBeNull();
  });
});
