import { inject, Injectable } from '@angular/core';
import { type Job, readJob } from '@levamen/core/job';
import { SignedIn } from '../people/session';
import { type AdoptedDraft, DeviceDatabase, type KeptDraft } from './device-database';
import { Tab } from './tab';

/** Edits that have not reached the server yet. */
export interface Draft {
  readonly baseRevision: number;
  /** What the edits started from. */
  readonly base: Job;
  readonly document: Job;
  /** Ids of saves that were sent and never answered. */
  readonly unanswered: readonly string[];
  readonly savedAt: number;
  /** Drafts of closed tabs that went into it: once the server has it, it has them. */
  readonly contains: readonly AdoptedDraft[];
}

/** A draft another tab left behind, or that this program cannot read. */
export interface LeftDraft {
  readonly tab: string;
  readonly savedAt: number;
  /** null = of another version, or damaged: it can be downloaded, not taken up. */
  readonly draft: Draft | null;
  /** Exactly what is kept, for a download. */
  readonly raw: unknown;
}

const read = ({
  baseRevision,
  base,
  document,
  unanswered,
  savedAt,
  contains = [],
}: KeptDraft): Draft | null => {
  const [from, to] = [readJob(base), readJob(document)];
  return from.ok && to.ok && typeof baseRevision === 'number'
    ? { baseRevision, base: from.job, document: to.job, unanswered, savedAt, contains }
    : null;
};

/**
 * Keeps every edit on this device until the server has it, so that a closed lid, a lost connection or a crash loses nothing.
 * Each tab keeps its own draft; none is removed before the server has what it holds, or somebody says so.
 */
@Injectable({ providedIn: 'root' })
export class DraftStore {
  private readonly database = inject(DeviceDatabase);
  private readonly tab = inject(Tab);
  private readonly signed = inject(SignedIn);

  /** Rejects where this device does not keep it: storage switched off or full. */
  async write(jobId: string, draft: Draft): Promise<void> {
    const [database, tab] = await Promise.all([this.database.open(), this.tab.id()]);
    await database.put('drafts', { jobId, tab, ...draft, account: this.signed.account() });
  }

  /** Removes this tab's draft, unless it was written after `savedAt`. */
  async clear(jobId: string, savedAt = Number.POSITIVE_INFINITY): Promise<void> {
    await this.remove(jobId, await this.tab.id(), savedAt);
  }

  /** Removes the draft of a tab, unless it was written after `savedAt`. */
  async remove(jobId: string, tab: string, savedAt = Number.POSITIVE_INFINITY): Promise<void> {
    const database = await this.database.open();
    const change = database.transaction('drafts', 'readwrite');
    const kept = await change.store.get([jobId, tab]);
    if (kept && !(kept.savedAt > savedAt)) await change.store.delete([jobId, tab]);
    await change.done;
  }

  /** Drafts of a job that no tab is at work on, of whoever has signed in: nobody sends what somebody else entered. Newest first. */
  async left(jobId: string): Promise<readonly LeftDraft[]> {
    const [database, isFree] = await Promise.all([this.database.open(), this.freedom()]);
    const kept = await database.getAllFromIndex('drafts', 'job', jobId);
    return kept
      .filter((one) => isFree(one) && this.isOwn(one))
      .map((one) => ({ tab: one.tab, savedAt: one.savedAt, draft: read(one), raw: one }))
      .toSorted((a, b) => b.savedAt - a.savedAt);
  }

  /** Drafts that no tab is at work on, of whatever job and person. */
  async allLeft(): Promise<readonly KeptDraft[]> {
    const isFree = await this.freedom();
    return (await this.all()).filter(isFree);
  }

  /** Every draft that is kept, of whatever job, tab or person. */
  async all(): Promise<readonly KeptDraft[]> {
    return (await this.database.open()).getAll('drafts');
  }

  /** Tells drafts that are free: this tab's own from before a reload, and those of tabs that are closed. */
  private async freedom(): Promise<(draft: KeptDraft) => boolean> {
    const [own, living] = await Promise.all([this.tab.id(), this.tab.living()]);
    return ({ tab }) => tab === own || !living.has(tab);
  }

  /** Is it of whoever has signed in now, or from where nobody has to? */
  isOwn({ account }: KeptDraft): boolean {
    return (account ?? null) === null || account === this.signed.account();
  }
}
