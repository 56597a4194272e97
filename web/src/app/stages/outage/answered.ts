import { computed, signal, type Signal } from '@angular/core';
import type { OutageStudy } from '@levamen/core';
import type { Observable, Subscription } from 'rxjs';
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

/**
 * Keeps the answer to a question about the present study.
 *
 * @param study what the answer is about
 * @param question asked of workers; null where it cannot be asked
 */
export function answered<T>(
  study: Signal<OutageStudy | null>,
  question: (study: OutageStudy) => Observable<Progress<T>>,
): Answered<T> {
  const known = signal<{ readonly study: OutageStudy; readonly value: T } | null>(null);
  const share = signal<number | null>(null);
  const problem = signal('');
  let under: Subscription | null = null;
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
          if (progress.value !== null) known.set({ study: about, value: progress.value });
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
