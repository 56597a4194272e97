import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { dailySettingsOf } from '@levamen/core/design';
import type { StacksInUse } from '@levamen/core/study/details';
import { catchError, debounceTime, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { DesignPrice } from '../../data/design-price';
import { DailyStudies } from '../../data/daily-studies';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { MeasuredYearOfJob } from '../../data/measured-year';
import { WeatherYears } from '../../data/weather-years';
import type { DailyAnswer, DailyAsked, DailyBeside } from '../../workers/daily-api';
import { dailyAsked, stacksInUse } from '../../daily/daily-asked';
import { billsOf, worthOf } from '../../daily/worth-of';

interface Answer<T> {
  readonly value: T | null;
  /** Something newer is being worked out. */
  readonly busy: boolean;
  readonly problem: string;
}

/** An edit is followed by others. */
const settleMs = 150;

/** The year of the design that is looked at, with the stacks in use. */
@Injectable()
export class DailyState {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(DailyStudies);
  private readonly weather = inject(WeatherYears);
  private readonly measured = inject(MeasuredYearOfJob);

  private readonly stacks = computed(
    (): StacksInUse => {
      const plan = this.session.studied();
      return plan ? stacksInUse(plan, this.evaluations.evaluation()) : {};
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  private readonly asked = computed((): DailyAsked | null => {
    const plan = this.session.studied();
    const weather = this.weather.year();
    const measured = this.measured.found();
    if (!plan || !measured || plan.loads.length === 0 || !weather.ready) return null;
    if (this.evaluations.catalogue().length === 0) return null;
    return dailyAsked(plan, weather.year, this.stacks(), measured.year);
  });
  readonly year = this.answerOf((asked) => this.studies.year(asked));
  readonly beside = this.answerOf((asked) => this.studies.beside(asked));
  readonly hasHouse = computed(() => (this.session.studied()?.loads.length ?? 0) > 0);
  readonly settings = computed(() => {
    const plan = this.session.studied();
    return plan && dailySettingsOf(plan);
  });
  readonly price = inject(DesignPrice).price;
  readonly totals = computed(() => {
    const answer = this.year().value;
    return answer && billsOf(answer);
  });
  readonly worth = computed(() => {
    const settings = this.settings();
    const plan = this.session.studied();
    return settings && plan && worthOf(this.totals(), this.price(), settings, plan.finance);
  });

  /** The last answer stays while the next one is worked out. */
  private answerOf<T extends DailyAnswer | DailyBeside>(ask: (asked: DailyAsked) => Observable<T>) {
    let last: T | null = null;
    return toSignal(
      toObservable(this.asked).pipe(
        debounceTime(settleMs),
        switchMap((asked): Observable<Answer<T>> => {
          if (!asked) return of({ value: null, busy: false, problem: '' });
          return ask(asked).pipe(
            map((value) => ({ value: (last = value), busy: false, problem: '' })),
            catchError(() =>
              of({
                value: last,
                busy: false,
                problem: 'This ended unexpectedly. Change something, or come back.',
              }),
            ),
            startWith({ value: last, busy: true, problem: '' }),
          );
        }),
      ),
      { initialValue: { value: null, busy: true, problem: '' } as Answer<T> },
    );
  }
}
