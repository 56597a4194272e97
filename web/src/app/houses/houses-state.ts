import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { HousesRun, HousesRunAnswers } from '@levamen/core/api';
import { courseStates, type CourseState } from '@levamen/core/house';
import {
  type DayAhead,
  type HousesQuestion,
  housesQuestionSchema,
  mostDaysAhead,
} from '@levamen/core/logbook';
import { catchError, EMPTY, exhaustMap, Subject, switchMap, takeWhile, tap, timer } from 'rxjs';
import { problemText } from '../data/jobs-api';
import { HousesApi } from './houses-api';

/** Answers come in so often, ms. */
const lookMs = 2000;
/** Tonight begins at this hour. */
const eveningH = 18;
const builtStates: readonly CourseState[] = ['installed', 'inspected', 'commissioned', 'operating'];

const asIn: DayAhead = { outdoorC: null, sky: null };
const dayMs = 86_400_000;

/** This evening, or the next one, ISO. */
function tonight(now = new Date()): string {
  const evening = new Date(now.getFullYear(), now.getMonth(), now.getDate(), eveningH);
  return (evening < now ? new Date(evening.getTime() + dayMs) : evening).toISOString();
}

const goesOn = ({ run }: HousesRunAnswers): boolean => !run.isCancelled && run.answered < run.houses;

/** What all houses are asked, and what they have answered so far. */
@Injectable()
export class HousesState {
  private readonly api = inject(HousesApi);
  private readonly looked = new Subject<string>();

  readonly question = signal<HousesQuestion>({
    from: tonight(),
    hours: 72,
    startCharge: null,
    days: Array.from({ length: 4 }, () => asIn),
    states: [...builtStates],
  });
  readonly stateChoices = Object.entries(courseStates);
  /** Why it cannot be asked; '' = it can. */
  readonly wrong = computed(() => {
    const read = housesQuestionSchema.safeParse(this.question());
    return read.success ? '' : read.error.issues[0]!.message;
  });
  readonly problem = signal('');
  readonly runs = signal<readonly HousesRun[]>([]);
  /** The question that is looked at, with its answers; null = none is. */
  readonly shown = signal<HousesRunAnswers | null>(null);
  readonly isRunning = computed(() => {
    const shown = this.shown();
    return shown !== null && goesOn(shown);
  });

  constructor() {
    const destroyed = inject(DestroyRef);
    this.looked
      .pipe(
        switchMap((id) =>
          timer(0, lookMs).pipe(
            exhaustMap(() => this.api.run(id).pipe(catchError((error: unknown) => this.fail(error)))),
            takeWhile(goesOn, true),
          ),
        ),
        takeUntilDestroyed(destroyed),
      )
      .subscribe((answers) => {
        this.problem.set('');
        this.shown.set(answers);
        this.runs.update((runs) => runs.map((run) => (run.id === answers.run.id ? answers.run : run)));
      });
    this.api
      .runs()
      .pipe(
        catchError((error: unknown) => this.fail(error)),
        takeUntilDestroyed(destroyed),
      )
      .subscribe((runs) => {
        this.runs.set(runs);
        if (runs[0]) this.look(runs[0].id);
      });
  }

  set(change: Partial<HousesQuestion>): void {
    this.question.update((question) => ({ ...question, ...change }));
    this.problem.set('');
  }

  /** How many days an outage touches, by the clock of this page; their weather is asked for. */
  readonly days = computed(() => {
    const { from, hours, days } = this.question();
    const begin = new Date(from);
    const first = new Date(begin.getFullYear(), begin.getMonth(), begin.getDate());
    const count = Math.min(
      mostDaysAhead,
      Math.max(1, Math.ceil((begin.getTime() + hours * 3_600_000 - first.getTime()) / dayMs)),
    );
    return Array.from({ length: count }, (_, index) => ({
      index,
      date: new Date(first.getFullYear(), first.getMonth(), first.getDate() + index),
      said: days[index] ?? asIn,
    }));
  });

  setDay(index: number, change: Partial<DayAhead>): void {
    this.set({
      days: this.days().map(({ said }, place) => (place === index ? { ...said, ...change } : said)),
    });
  }

  ask(): void {
    const asked = { ...this.question(), days: this.days().map(({ said }) => said) };
    this.api
      .ask(asked)
      .pipe(catchError((error: unknown) => this.fail(error)))
      .subscribe((run) => {
        this.problem.set('');
        this.runs.update((runs) => [run, ...runs]);
        this.look(run.id);
      });
  }

  look(id: string): void {
    this.looked.next(id);
  }

  cancel(): void {
    const shown = this.shown();
    if (!shown) return;
    this.api
      .cancel(shown.run.id)
      .pipe(
        catchError((error: unknown) => this.fail(error)),
        tap(() => this.look(shown.run.id)),
      )
      .subscribe();
  }

  private fail(error: unknown): typeof EMPTY {
    this.problem.set(problemText(error));
    return EMPTY;
  }
}
