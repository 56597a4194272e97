import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, debounceTime, filter, from, map, of, startWith, switchMap, timer } from 'rxjs';

/** What a worker answered last, and why the last question has no answer; '' = it has, or will. */
export interface Answered<Question, Answer> {
  /** null = none yet. */
  readonly answer: Answer | null;
  /** The question it answers; null = none yet. */
  readonly of: Question | null;
  readonly problem: string;
}

/**
 * The answers of a worker to a question that changes with the job: asked once it has settled, not before the margins of a job that is opened are there. While the next one is worked out the last one stays.
 * Called where services may be injected.
 *
 * @param asked null = there is nothing to ask
 */
export function workerAnswers<Question, Answer>(
  asked: Signal<Question | null>,
  ask: (question: Question) => Promise<Answer>,
  { firstMs, settleMs }: { readonly firstMs: number; readonly settleMs: number },
): Signal<Answered<Question, Answer>> {
  const awake = toSignal(timer(firstMs).pipe(map(() => true)), { initialValue: false });
  type State = Answered<Question, Answer>;
  let last: Pick<State, 'answer' | 'of'> = { answer: null, of: null };
  return toSignal(
    toObservable(computed(() => (awake() ? asked() : null))).pipe(
      filter((question) => question !== null),
      debounceTime(settleMs),
      switchMap((question) =>
        from(ask(question)).pipe(
          map((answer): State => {
            last = { answer, of: question };
            return { ...last, problem: '' };
          }),
          catchError((error: unknown) =>
            of<State>({ ...last, problem: error instanceof Error ? error.message : 'It failed.' }),
          ),
          startWith<State>({ ...last, problem: '' }),
        ),
      ),
    ),
    { initialValue: { answer: null, of: null, problem: '' } },
  );
}
