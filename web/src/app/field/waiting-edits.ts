import { HttpErrorResponse } from '@angular/common/http';
import { computed, inject, Injectable, signal } from '@angular/core';
import { exhaustMap, firstValueFrom, from, fromEvent, merge, Subject, timer } from 'rxjs';
import type { KeptDraft } from '../data/device-database';
import { DraftStore } from '../data/draft-store';
import type { SaveStatus } from '../data/job-saver';
import { JobsApi, problemText } from '../data/jobs-api';
import { LeftDrafts } from '../data/left-drafts';
import { Savers } from '../data/savers';
import { SignedIn } from '../people/session';

/** How often it is looked whether something waits, ms. */
const lookMs = 30_000;
/** What the page does first comes first, ms. */
const firstMs = 1500;

/** Edits of one job that the server does not have yet. */
export interface WaitingJob {
  readonly jobId: string;
  readonly name: string;
  readonly savedAt: number;
  readonly status: SaveStatus;
  /** Why it does not get through; '' = it is on its way. */
  readonly message: string;
}

interface Found {
  readonly draft: KeptDraft;
  readonly problem: string;
}

const nameOf = ({ document }: KeptDraft): string => {
  const name = (document as { name?: unknown } | null)?.name;
  return typeof name === 'string' ? name : 'A job';
};

/**
 * Sends what earlier visits could not: edits of jobs that nobody looks at in this page, one job after the other, merged with what
 * happened meanwhile. A merge that needs a decision waits for the job to be opened.
 */
@Injectable({ providedIn: 'root' })
export class WaitingEdits {
  private readonly api = inject(JobsApi);
  private readonly drafts = inject(DraftStore);
  private readonly savers = inject(Savers);
  private readonly signed = inject(SignedIn);
  private readonly asked = new Subject<void>();
  private readonly found = signal<ReadonlyMap<string, Found>>(new Map());
  /** Edits that somebody else left on this device: they are sent once he signs in. */
  readonly ofOthers = signal(0);

  readonly jobs = computed((): readonly WaitingJob[] =>
    [...this.found().values()]
      .map(({ draft, problem }): WaitingJob => {
        const saver = this.savers.of(draft.jobId);
        const status = problem === '' ? (saver?.status() ?? 'unsaved') : 'refused';
        return {
          jobId: draft.jobId,
          name: nameOf(draft),
          savedAt: draft.savedAt,
          status,
          message: problem === '' ? (saver?.message() ?? '') : problem,
        };
      })
      .filter(({ status }) => status !== 'saved'),
  );

  /** Looks after what waits, from now on. */
  begin(): void {
    merge(timer(firstMs, lookMs), fromEvent(window, 'online'), this.asked)
      .pipe(exhaustMap(() => from(this.look().catch(() => undefined))))
      .subscribe();
  }

  /** Somebody has signed in, or left a job: looks at once. */
  lookNow(): void {
    this.asked.next();
  }

  private async look(): Promise<void> {
    const free = await this.drafts.allLeft();
    const mine = free.filter((draft) => this.drafts.isOwn(draft));
    // Where nobody could be asked who is here, they may be his own.
    const isKnown = this.signed.session() !== null;
    this.ofOthers.set(
      isKnown ? new Set(free.filter((draft) => !mine.includes(draft)).map(({ jobId }) => jobId)).size : 0,
    );
    const newest = new Map<string, KeptDraft>();
    for (const draft of mine.toSorted((a, b) => a.savedAt - b.savedAt)) newest.set(draft.jobId, draft);
    this.found.update(
      (before) =>
        new Map(
          [...newest].map(([jobId, draft]) => [jobId, { draft, problem: before.get(jobId)?.problem ?? '' }]),
        ),
    );
    if (this.signed.session()?.state === 'signed-out') return;
    for (const jobId of newest.keys()) await this.send(jobId);
  }

  /** What a page shows is its own affair; what is under way goes on by itself. */
  private async send(jobId: string): Promise<void> {
    const saver = this.savers.of(jobId);
    if (this.savers.isShown(jobId) || (saver && saver.status() !== 'saved')) return;
    try {
      const saved = await firstValueFrom(this.api.read(jobId));
      const left = new LeftDrafts(this.drafts);
      const taken = left.sort(saved, await this.drafts.left(jobId));
      // Meanwhile somebody may have opened it.
      if (!taken?.draft || this.savers.isShown(jobId)) return;
      const sending = this.savers.sendUnseen(jobId);
      sending.begin(saved);
      sending.adopt(taken);
      sending.resume(taken.draft);
      await this.savers.settled();
      this.say(jobId, '');
    } catch (error) {
      const isFinal = error instanceof HttpErrorResponse && [403, 404, 422].includes(error.status);
      this.say(jobId, isFinal ? problemText(error) : '');
    }
  }

  private say(jobId: string, problem: string): void {
    this.found.update((all) => {
      const one = all.get(jobId);
      return one ? new Map(all).set(jobId, { ...one, problem }) : all;
    });
  }
}
