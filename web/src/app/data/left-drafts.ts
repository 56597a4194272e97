import { sameValue } from '@levamen/core/base';
import type { SavedJob } from '@levamen/core/api';
import { signal } from '@angular/core';
import type { DraftStore, LeftDraft } from './draft-store';

/** Drafts of closed tabs: the newest is taken up when a job is opened, the others are offered and never removed unasked. */
export class LeftDrafts {
  /** Those beside the one that was taken up. */
  readonly offered = signal<readonly LeftDraft[]>([]);

  constructor(private readonly store: DraftStore) {}

  /**
   * Looks through what is left of a job. What the server has already needs keeping no more.
   *
   * @returns the newest that holds something the server has not; null = none
   */
  sort(saved: SavedJob, left: readonly LeftDraft[]): LeftDraft | null {
    const isSaved = ({ draft }: LeftDraft): boolean =>
      draft !== null && sameValue(draft.document, saved.document);
    for (const one of left.filter(isSaved)) this.remove(saved.id, one);
    const edited = left.filter((one) => !isSaved(one));
    const newest = edited.find(({ draft }) => draft !== null) ?? null;
    const isAgain = (one: LeftDraft): boolean =>
      one !== newest &&
      !!newest?.draft &&
      !!one.draft &&
      sameValue(one.draft.document, newest.draft.document);
    for (const one of edited.filter(isAgain)) this.remove(saved.id, one);
    // A window that had taken it up was closed before the server answered: it goes once the newest is saved.
    const isInNewest = ({ tab, savedAt }: LeftDraft): boolean =>
      newest?.draft?.contains.some((one) => one.tab === tab && one.savedAt >= savedAt) ?? false;
    this.offered.set(edited.filter((one) => one !== newest && !isAgain(one) && !isInNewest(one)));
    return newest;
  }

  /** No longer offers a draft. */
  forget(left: LeftDraft): void {
    this.offered.update((all) => all.filter((one) => one !== left));
  }

  /** Removes a draft, since somebody says so. */
  discard(jobId: string, left: LeftDraft): Promise<void> {
    this.forget(left);
    return this.remove(jobId, left);
  }

  private remove(jobId: string, { tab, savedAt }: LeftDraft): Promise<void> {
    // What cannot be removed is looked at again another time.
    return this.store.remove(jobId, tab, savedAt).catch(() => undefined);
  }
}
