import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, LOCALE_ID, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { jobQuerySchema } from '@levamen/core/api';
import { fieldFacts } from '@levamen/core/base';
import { courseStateNames, courseStates, waitsFor } from '@levamen/core/house';
import {
  dayAheadSchema,
  type DayAhead,
  type HousesQuestion,
  housesQuestionSchema,
} from '@levamen/core/logbook';
import { Button } from 'primeng/button';
import { unparse } from 'papaparse';
import { catchError, of } from 'rxjs';
import { JobsApi } from '../data/jobs-api';
import { AmountField } from '../ui/amount-field';
import { downloadBlob } from '../ui/download';
import { formOf } from '../ui/form';
import { FormField } from '../ui/form-field';
import { PlaceHeader } from '../ui/place-header';
import { VerdictMark } from '../ui/verdict-mark';
import { houseCounts, type HouseRow, houseRows, questionText } from './house-rows';
import { HousesDue } from './houses-due';
import { HousesState } from './houses-state';

/** So many rows are shown at first. */
const shownAtFirst = 40;

/** What a company asks of all its houses. */
@Component({
  selector: 'lv-houses-page',
  imports: [
    AmountField,
    Button,
    DatePipe,
    FormField,
    FormsModule,
    HousesDue,
    PlaceHeader,
    RouterLink,
    VerdictMark,
  ],
  providers: [HousesState],
  templateUrl: './houses-page.html',
  styleUrl: './houses-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HousesPage {
  protected readonly state = inject(HousesState);
  private readonly locale = inject(LOCALE_ID);

  protected readonly form = formOf<HousesQuestion>(
    housesQuestionSchema.shape,
    this.state.question,
    (change) => this.state.set(change),
  );
  protected readonly outdoorSchema = dayAheadSchema.shape.outdoorC;
  protected readonly skies = fieldFacts
    .get(dayAheadSchema.shape.sky)!
    .choices!.map(([value, label]) => ({ value, label }));
  /** As a field of the browser holds a moment: "2026-11-29T18:00", by the clock of the page. */
  protected readonly fromText = computed(() => {
    const moment = new Date(this.state.question().from);
    return new Date(moment.getTime() - moment.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  });

  protected readonly askedText = computed(() => {
    const shown = this.state.shown();
    return shown ? questionText(shown.run.asked, this.locale) : '';
  });
  protected readonly runs = computed(() =>
    this.state.runs().map((run) => ({
      id: run.id,
      text: questionText(run.asked, this.locale),
      isShown: run.id === this.state.shown()?.run.id,
      says: run.isCancelled
        ? 'called off'
        : run.answered < run.houses
          ? `${run.answered} of ${run.houses}`
          : `${run.houses} ${run.houses === 1 ? 'house' : 'houses'}`,
    })),
  );
  private readonly rows = computed((): HouseRow[] => {
    const shown = this.state.shown();
    return shown ? houseRows(shown) : [];
  });
  protected readonly counts = computed(() => {
    const shown = this.state.shown();
    return shown ? houseCounts(shown) : null;
  });
  /** Those that hold are no answer to the question; they are shown where somebody wants them. */
  protected readonly withThoseThatHold = signal(false);
  private readonly wanted = computed(() =>
    this.rows().filter(({ verdict }) => this.withThoseThatHold() || verdict !== 'holds'),
  );
  private readonly most = signal(shownAtFirst);
  protected readonly shownRows = computed(() => this.wanted().slice(0, this.most()));
  protected readonly more = computed(() => Math.max(0, this.wanted().length - this.most()));
  protected readonly headline = computed(() => {
    const counts = this.counts();
    const shown = this.state.shown();
    if (!counts || !shown || shown.run.answered === 0) return '';
    const { answered, houses } = shown.run;
    const so = answered < houses ? ' so far' : '';
    return `${counts.fails} of ${answered} do not get through${so}; ${counts.tight} may not; ${counts.holds} do${counts.unknown === 0 ? '' : `; ${counts.unknown} cannot say`}.`;
  });

  private readonly jobs = toSignal(
    inject(JobsApi)
      .list(jobQuerySchema.parse({}))
      .pipe(
        catchError(() => of(null)),
        takeUntilDestroyed(),
      ),
  );
  /** How far the jobs are, in the order of their course, and for whom they wait. */
  protected readonly states = computed(() => {
    const found = this.jobs()?.states ?? [];
    const countOf = (state: string | null): number => found.find((one) => one.state === state)?.count ?? 0;
    return [
      { name: 'Begun', count: countOf(null), waits: waitsFor.none },
      ...Object.entries(courseStates).map(([state, name]) => ({
        name,
        count: countOf(state),
        waits: waitsFor[state as keyof typeof courseStates],
      })),
    ].filter(({ count }) => count > 0);
  });

  protected setFrom(text: string): void {
    const moment = new Date(text);
    if (!Number.isNaN(moment.getTime())) this.state.set({ from: moment.toISOString() });
  }

  protected setSky(index: number, sky: DayAhead['sky']): void {
    this.state.setDay(index, { sky });
  }

  protected setOutdoor(index: number, outdoorC: number | null): void {
    this.state.setDay(index, { outdoorC });
  }

  protected isAsked(state: string): boolean {
    return this.state.question().states.some((one) => one === state);
  }

  protected toggle(state: string): void {
    const chosen = new Set<string>(this.state.question().states);
    if (!chosen.delete(state)) chosen.add(state);
    this.state.set({ states: courseStateNames.filter((one) => chosen.has(one)) });
  }

  protected showMore(): void {
    this.most.update((most) => 2 * most);
  }

  /** Everything that was answered, as a table. */
  protected download(): void {
    const shown = this.state.shown();
    if (!shown) return;
    const fields = [
      'job',
      'place',
      'island',
      'years',
      'held',
      'mean [h]',
      'least [h]',
      'cause',
      'lowest charge',
      'start charge',
      'usable [Wh]',
      'wanted [Wh/day]',
      'sun [Wh/day]',
      'problem',
    ];
    const data = shown.answers.flatMap(({ name, place, answer: { islands, problem } }) => [
      ...islands.map((one) => [
        name,
        place,
        one.name,
        one.years,
        one.held,
        one.meanH,
        one.leastH,
        one.cause,
        one.lowestCharge,
        one.startCharge,
        one.usableWh,
        one.wantedWhPerDay,
        one.sunWhPerDay,
        '',
      ]),
      ...(problem === '' ? [] : [[name, place, ...Array.from({ length: 11 }, () => ''), problem]]),
    ]);
    const text = unparse({ fields, data }, { escapeFormulae: true });
    downloadBlob(new Blob([text], { type: 'text/csv' }), 'houses.csv');
  }
}
