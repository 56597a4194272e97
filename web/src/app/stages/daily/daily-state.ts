import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { dailySettingsOf } from '@levamen/core/design';
import { dailyWorth } from '@levamen/core/offer';
import type { MeasuredYear } from '@levamen/core/house/details';
import { calendarYear, type StacksInUse } from '@levamen/core/study/details';
import { catchError, debounceTime, from, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { DailyStudies } from '../../data/daily-studies';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { MeterData } from '../../data/meter-data';
import { WeatherYears } from '../../data/weather-years';
import type { DailyAnswer, DailyAsked, DailyBeside } from '../../workers/daily-api';
import { totalOfCase } from './case-totals';

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
  private readonly meter = inject(MeterData);

  private readonly stacks = computed(
    (): StacksInUse => {
      const plan = this.session.studied();
      const evaluation = this.evaluations.evaluation();
      const chosen = Object.fromEntries(
        (plan?.equipment.stacks ?? []).map(({ islandId, parts }) => [islandId, parts] as const),
      );
      const inUse = evaluation?.selected?.stack.parts;
      return evaluation?.island && inUse ? { ...chosen, [evaluation.island.id]: inUse } : chosen;
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  private readonly setId = computed(() => this.session.plan()?.usage.measurement?.setId ?? null);
  /** What the meter measured; null while it is fetched. */
  private readonly measured = toSignal(
    toObservable(this.setId).pipe(
      switchMap((setId): Observable<{ readonly year: MeasuredYear | null } | null> => {
        if (setId === null) return of({ year: null });
        return from(this.meter.year(this.session.id(), setId, calendarYear)).pipe(
          map((year) => ({ year })),
          // Without them the bills say how much it is.
          catchError(() => of({ year: null })),
          startWith(null),
        );
      }),
    ),
    { initialValue: null },
  );
  private readonly asked = computed((): DailyAsked | null => {
    const plan = this.session.studied();
    const weather = this.weather.year();
    const measured = this.measured();
    if (!plan || !measured || plan.loads.length === 0 || !weather.ready) return null;
    if (this.evaluations.catalogue().length === 0) return null;
    return {
      plan,
      weather: weather.year,
      stacks: this.stacks(),
      intervalMin: measured.year?.intervalMin ?? 60,
      measured: measured.year,
    };
  });
  readonly year = this.answerOf((asked) => this.studies.year(asked));
  readonly beside = this.answerOf((asked) => this.studies.beside(asked));
  readonly hasHouse = computed(() => (this.session.studied()?.loads.length ?? 0) > 0);
  readonly settings = computed(() => {
    const plan = this.session.studied();
    return plan && dailySettingsOf(plan);
  });
  /** What the stack in use costs; null = nothing is priced. */
  readonly price = computed(() => {
    const evaluation = this.evaluations.evaluation();
    const pricer = this.evaluations.pricer();
    const plan = this.session.studied();
    const { island, selected } = evaluation ?? {};
    return pricer && plan && island && selected ? pricer(plan, island, selected.stack) : null;
  });
  readonly totals = computed(() => {
    const answer = this.year().value;
    if (!answer) return null;
    const before = totalOfCase(answer.fresh.cases[0]!);
    const after = totalOfCase(answer.fresh.cases.at(-1)!);
    const aged = totalOfCase(answer.aged.cases.at(-1)!);
    return before && after && aged
      ? {
          before: before.amount,
          after: after.amount,
          aged: aged.amount,
          currency: before.currency,
          agedYears: answer.agedYears,
        }
      : null;
  });
  /** Saved against the price; null where either is not known, or they are in two currencies. */
  readonly worth = computed(() => {
    const totals = this.totals();
    const price = this.price();
    const settings = this.settings();
    if (!totals || !price || !settings || price.currency !== totals.currency) return null;
    return dailyWorth(
      { before: totals.before, after: totals.after, afterAged: totals.aged, agedYears: totals.agedYears },
      price.afterIncentives,
      price.currency,
      {
        years: settings.years.value,
        discountRate: settings.discountRate.value,
        priceRise: settings.priceRise.value,
      },
    );
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
