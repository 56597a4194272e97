import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { worstSpells } from '@levamen/core/nature';
import { type OutageRun, type OutageStudy, outageWeather, yearMap } from '@levamen/core/study/details';
import { catchError, debounceTime, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { OutageStudies, type Progress, type YearOfFates } from '../../data/outage-studies';
import { comparisonsOf } from './comparisons';

const settleMs = 200;

/** Which outage of the year is looked at. */
export type Which = 'worst' | 'median' | 'chosen' | `dark-${number}`;

interface YearState extends Progress<YearOfFates> {
  readonly problem: string;
}
const idle: YearState = { share: 0, value: null, problem: '' };

/** What the stage of outages looks at: the year, one outage of it, and another one beside it. */
@Injectable()
export class OutageState {
  private readonly studies = inject(OutageStudies);
  private readonly evaluations = inject(EvaluationService);

  readonly study = this.studies.study;
  /** The user stopped the year; an edit or a click begins it again. */
  readonly stopped = signal<OutageStudy | null>(null);
  readonly requiredH = computed(() => this.evaluations.evaluation()?.settings.requiredRuntimeH.value ?? 24);
  readonly season = computed(() => this.evaluations.evaluation()?.settings.designSeason.value ?? 'winter');

  private readonly wanted = computed(() => (this.study() === this.stopped() ? null : this.study()));
  readonly year = toSignal(
    toObservable(this.wanted).pipe(
      debounceTime(settleMs),
      switchMap((study): Observable<YearState> =>
        study === null
          ? of(idle)
          : this.studies.year(study).pipe(
              map((progress): YearState => ({ ...progress, problem: '' })),
              startWith(idle),
              catchError(() => of({ ...idle, problem: 'The outages could not be played. Reload the page.' })),
            ),
      ),
    ),
    { initialValue: idle },
  );
  readonly map = computed(() => {
    const { value } = this.year();
    return value && yearMap(value.survivedMin, value.cause);
  });
  readonly weather = computed(() => {
    const study = this.study();
    return study && outageWeather(study.plan, study.weather);
  });
  readonly spells = computed(() => {
    const weather = this.weather();
    return weather ? worstSpells(weather, [1, 2, 3, 5, 7]) : [];
  });

  readonly which = signal<Which>('worst');
  /** Minute of the year at which a chosen outage begins. */
  readonly chosenMinute = signal(14 * 1440 + 18 * 60);
  readonly startMinute = computed((): number | null => {
    const which = this.which();
    const map = this.map();
    if (which === 'chosen') return this.chosenMinute();
    if (which === 'worst') return map && map.worstHour * 60;
    if (which === 'median') return map && map.medianHour * 60;
    const spell = this.spells().find(({ days }) => `dark-${days}` === which);
    // A storm comes in the evening before its first dark day.
    return spell ? spell.firstDay * 1440 - 6 * 60 : null;
  });
  readonly lengthH = linkedSignal(() => [24, 48, 72, 168].find((h) => h >= this.requiredH() * 1.4) ?? 168);

  readonly run = this.played(this.study, false);
  readonly comparisons = computed(() => {
    const study = this.study();
    return study ? comparisonsOf(study, this.evaluations.catalogue()) : [];
  });
  /** Id of the comparison; '' for none. */
  readonly comparison = signal('');
  private readonly otherStudy = computed(
    () => this.comparisons().find(({ id }) => id === this.comparison())?.study ?? null,
  );
  readonly otherRun = this.played(this.otherStudy, true);

  /** Looks at one outage of the year. */
  lookAt(minute: number): void {
    this.chosenMinute.set(((minute % 525_600) + 525_600) % 525_600);
    this.which.set('chosen');
  }

  stop(): void {
    this.stopped.set(this.study());
  }

  private played(study: () => OutageStudy | null, beside: boolean) {
    const wish = computed(() => {
      const [one, from] = [study(), this.startMinute()];
      return one === null || from === null ? null : { study: one, from, minutes: this.lengthH() * 60 };
    });
    return toSignal(
      toObservable(wish).pipe(
        debounceTime(60),
        switchMap((wanted) =>
          wanted === null
            ? of<OutageRun | null>(null)
            : this.studies
                .play(wanted.study, (wanted.from + 525_600) % 525_600, wanted.minutes, beside)
                .pipe(catchError(() => of(null))),
        ),
      ),
      { initialValue: null },
    );
  }
}
