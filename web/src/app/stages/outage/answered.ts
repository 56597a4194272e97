import { computed, effect, signal, untracked, type Signal, type WritableSignal } from '@angular/core';
import type { OutageStudy } from '@levamen/core/study/details';
import type { Observable, Subscription } from 'rxjs';
import type { AnswerStore } from '../../data/answer-store';
import type { LastAnswers } from '../../data/last-answers';
import type { Progress } from '../../data/outage-studies';

/** Something that is asked for, answers after a while, and can be stopped. */
export interface Answered<T> {
  /** The last answer about the island that is looked at. */
  readonly value: Signal<T | null>;
  /** The job has changed since it was worked out. */
  readonly isOutdated: Signal<boolean>;
  /** Share that is done; null while nothing is under way. */
  readonly share: Signal<number | null>;
  readonly problem: Signal<string>;
  ask(): void;
  stop(): void;
}

/** An answer, what it is about, and how long it took. */
export interface KnownAnswer<T> {
  readonly study: OutageStudy;
  readonly value: T;
  readonly tookMs: number;
}

/** Where answers of one kind, and so of one type, outlive the stage and the page. */
export interface KeptAnswers {
  readonly known: WritableSignal<KnownAnswer<unknown> | null>;
  find(study: OutageStudy): Promise<unknown>;
  keep(study: OutageStudy, value: unknown): Promise<void>;
}

/** Answers of one kind, kept on this device. */
export function keptAnswers(store: AnswerStore, last: LastAnswers, kind: string): KeptAnswers {
  return {
    known: last.of<KnownAnswer<unknown>>(kind),
    find: (study) => store.find(kind, study),
    keep: (study, value) => store.keep(kind, study, value),
  };
}

/** What takes longer is worked out again after an edit only when it is asked for. */
const quickMs = 1000;
/** An edit is followed by others. */
const settleMs = 300;

/**
 * Keeps the answer to a question about the present study, and shows the last one, marked as outdated, while there is none.
 *
 * @param study what the answer is about
 * @param question asked of workers; null where it cannot be asked
 * @param kept where answers outlive the stage; what is kept begins by itself, and again after an edit where that is quick
 */
export function answered<T>(
  study: Signal<OutageStudy | null>,
  question: (study: OutageStudy) => Observable<Progress<T>>,
  kept?: KeptAnswers,
): Answered<T> {
  const known = (kept?.known ?? signal(null)) as WritableSignal<KnownAnswer<T> | null>;
  const share = signal<number | null>(null);
  const problem = signal('');
  let under: Subscription | null = null;
  let stopped: OutageStudy | null = null;

  const ask = (): void => {
    const about = study();
    if (!about) return;
    under?.unsubscribe();
    share.set(0);
    problem.set('');
    const began = performance.now();
    under = question(about).subscribe({
      next: (progress) => {
        share.set(progress.share);
        if (progress.value === null) return;
        known.set({ study: about, value: progress.value, tookMs: performance.now() - began });
        void kept?.keep(about, progress.value);
      },
      error: () => {
        share.set(null);
        problem.set('This ended unexpectedly. Try again.');
      },
      complete: () => {
        share.set(null);
        if (study() !== about) begin();
      },
    });
  };
  /** Begins by itself where nothing is known yet, or where it was quick the last time. */
  const begin = (): void => {
    const about = study();
    if (!kept || !about || about === stopped || share() !== null || problem() !== '') return;
    if ((known()?.tookMs ?? 0) < quickMs) ask();
  };
  if (kept) {
    effect((onCleanup) => {
      const about = study();
      if (!about || untracked(known)?.study === about) return;
      let timer: ReturnType<typeof setTimeout> | undefined;
      let isPast = false;
      onCleanup(() => {
        isPast = true;
        clearTimeout(timer);
      });
      void kept.find(about).then((value) => {
        if (isPast || share() !== null) return;
        const tookMs = known()?.tookMs ?? Infinity;
        if (value === null) timer = setTimeout(begin, settleMs);
        else known.set({ study: about, value: value as T, tookMs });
      });
    });
  }
  const shown = computed(() => {
    const answer = known();
    return answer?.study.islandId === study()?.islandId ? answer : null;
  });
  return {
    value: computed(() => shown()?.value ?? null),
    isOutdated: computed(() => shown() !== null && shown()?.study !== study()),
    share,
    problem,
    ask,
    stop: () => {
      stopped = study();
      under?.unsubscribe();
      under = null;
      share.set(null);
    },
  };
}
