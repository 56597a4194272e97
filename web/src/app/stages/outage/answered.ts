import { computed, effect, signal, untracked, type Signal } from '@angular/core';
import type { OutageStudy } from '@levamen/core/study/details';
import type { Observable, Subscription } from 'rxjs';
import type { AnswerStore } from '../../data/answer-store';
import type { Progress } from '../../data/outage-studies';

/** Something that is asked for, answers after a while, can be stopped, and is forgotten when the job changes. */
export interface Answered<T> {
  readonly value: Signal<T | null>;
  /** Share that is done; null while nothing is under way. */
  readonly share: Signal<number | null>;
  readonly problem: Signal<string>;
  ask(): void;
  stop(): void;
}

/** Where answers outlive the page. */
export interface KeptAnswers {
  find(study: OutageStudy): Promise<unknown>;
  keep(study: OutageStudy, value: unknown): Promise<void>;
}

/** Answers of one kind, kept on this device. */
export function keptAnswers(store: AnswerStore, kind: string): KeptAnswers {
  return {
    find: (study) => store.find(kind, study),
    keep: (study, value) => store.keep(kind, study, value),
  };
}

/**
 * Keeps the answer to a question about the present study.
 *
 * @param study what the answer is about
 * @param question asked of workers; null where it cannot be asked
 * @param kept where it was kept when it was asked before
 */
export function answered<T>(
  study: Signal<OutageStudy | null>,
  question: (study: OutageStudy) => Observable<Progress<T>>,
  kept?: KeptAnswers,
): Answered<T> {
  const known = signal<{ readonly study: OutageStudy; readonly value: T } | null>(null);
  const share = signal<number | null>(null);
  const problem = signal('');
  let under: Subscription | null = null;
  if (kept) {
    effect(() => {
      const about = study();
      if (!about || untracked(known)?.study === about) return;
      void kept.find(about).then((value) => {
        if (value !== null && study() === about && share() === null)
          known.set({ study: about, value: value as T });
      });
    });
  }
  return {
    value: computed(() => {
      const answer = known();
      return answer !== null && answer.study === study() ? answer.value : null;
    }),
    share,
    problem,
    ask: () => {
      const about = study();
      if (!about) return;
      under?.unsubscribe();
      share.set(0);
      problem.set('');
      under = question(about).subscribe({
        next: (progress) => {
          share.set(progress.share);
          if (progress.value === null) return;
          known.set({ study: about, value: progress.value });
          void kept?.keep(about, progress.value);
        },
        error: () => {
          share.set(null);
          problem.set('This ended unexpectedly. Try again.');
        },
        complete: () => share.set(null),
      });
    },
    stop: () => {
      under?.unsubscribe();
      under = null;
      share.set(null);
    },
  };
}
