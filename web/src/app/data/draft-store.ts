import { Injectable } from '@angular/core';
import { readJob, type Job } from '@levamen/core';

/** Edits that have not reached the server yet. */
export interface Draft {
  readonly baseRevision: number;
  readonly document: Job;
  readonly savedAt: number;
}

const prefix = 'levamen.draft.';

const tabId = (): string => {
  const known = sessionStorage.getItem('levamen.tab');
  if (known) return known;
  const made = crypto.randomUUID();
  sessionStorage.setItem('levamen.tab', made);
  return made;
};

/**
 * Keeps every edit on this device until the server has it, so that a closed lid, a lost connection or a crash loses nothing.
 * Each tab keeps its own draft.
 */
@Injectable({ providedIn: 'root' })
export class DraftStore {
  private readonly tab = tabId();

  /** False where this device refuses to keep it (storage full or switched off). */
  write(jobId: string, draft: Draft): boolean {
    try {
      localStorage.setItem(this.key(jobId), JSON.stringify(draft));
      return true;
    } catch {
      return false;
    }
  }

  clear(jobId: string): void {
    localStorage.removeItem(this.key(jobId));
  }

  /** The newest draft of a job, this tab's own or one another tab left behind; taken over by this tab. */
  take(jobId: string): Draft | null {
    const found = Object.keys(localStorage)
      .filter((key) => key.startsWith(`${prefix}${jobId}.`))
      .flatMap((key) => {
        const draft = this.parse(localStorage.getItem(key));
        localStorage.removeItem(key);
        return draft ? [draft] : [];
      })
      .toSorted((a, b) => b.savedAt - a.savedAt)[0];
    if (found) this.write(jobId, found);
    return found ?? null;
  }

  private key(jobId: string): string {
    return `${prefix}${jobId}.${this.tab}`;
  }

  private parse(text: string | null): Draft | null {
    try {
      const raw = JSON.parse(text ?? '') as { baseRevision?: unknown; document?: unknown; savedAt?: unknown };
      const read = readJob(raw.document);
      return read.ok && typeof raw.baseRevision === 'number' && typeof raw.savedAt === 'number'
        ? { baseRevision: raw.baseRevision, document: read.job, savedAt: raw.savedAt }
        : null;
    } catch {
      return null;
    }
  }
}
