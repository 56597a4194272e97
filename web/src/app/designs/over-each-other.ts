import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { quantityText } from '@levamen/core/base';
import { runtimeQuestion } from '@levamen/core/study';
import type { OutageRun, OutageStudy } from '@levamen/core/study/details';
import { catchError, combineLatest, EMPTY, map, type Observable, of, startWith, switchMap } from 'rxjs';
import { Appearance } from '../data/appearance';
import { OutageStudies } from '../data/outage-studies';
import { WeatherYears } from '../data/weather-years';
import { ChartView } from '../ui/chart';
import { type Choice, ChoiceField } from '../ui/choice-field';
import { chartInk } from '../ui/chart-ink';
import { DesignResults } from './design-results';
import { pictureOfTwo } from './picture-of-two';

interface Pair {
  readonly first: OutageStudy;
  readonly second: OutageStudy;
  readonly names: readonly [string, string];
}
interface Played {
  readonly names: readonly [string, string];
  readonly runs: readonly [OutageRun, OutageRun];
}

/** One hard outage as two designs go through it, over each other. */
@Component({
  selector: 'lv-over-each-other',
  imports: [ChartView, ChoiceField],
  template: `
    <section class="sheet" aria-labelledby="two-heading">
      <div class="bar">
        <h2 id="two-heading">One outage, two designs</h2>
        <lv-choice-field
          label="One"
          [choices]="choices()"
          [value]="firstId()"
          (valueChange)="chosenFirst.set($event ?? '')"
        />
        <lv-choice-field
          label="Other"
          [choices]="choices()"
          [value]="secondId()"
          (valueChange)="chosenSecond.set($event ?? '')"
        />
      </div>
      @if (options(); as drawn) {
        <p>{{ says() }}</p>
        <div class="chart"><lv-chart [options]="drawn" [label]="says()" /></div>
        <p class="small soft">
          The outage begins when one that 19 of 20 outlast begins for the first of them. Above what the house
          gets, below the charge.
        </p>
      } @else {
        <p class="small soft" role="status">{{ waits() }}</p>
      }
    </section>
  `,
  styles: `
    :host {
      display: block;
      margin-block-start: 0.7rem;
    }
    .sheet {
      padding: 0.8rem 0.95rem;
      display: grid;
      gap: 0.5rem;
    }
    .bar {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 1.2rem;
      align-items: end;
    }
    .chart {
      height: 20rem;
    }
    p {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OverEachOther {
  private readonly results = inject(DesignResults).results;
  private readonly studies = inject(OutageStudies);
  private readonly weather = inject(WeatherYears);
  private readonly appearance = inject(Appearance);

  protected readonly chosenFirst = signal('');
  protected readonly chosenSecond = signal('');
  protected readonly choices = computed((): Choice<string>[] =>
    this.results().map(({ id, name }) => ({ value: id, label: name })),
  );
  protected readonly firstId = computed(() => this.idOf(this.chosenFirst(), 0));
  protected readonly secondId = computed(() => this.idOf(this.chosenSecond(), 1));
  private readonly pair = computed(
    (): Pair | null => {
      const [first, second] = [this.firstId(), this.secondId()].map((wanted) => {
        const of = this.results().find(({ id }) => id === wanted);
        const parts = of?.evaluation.selected?.stack.parts;
        const islandId = of?.evaluation.island?.id;
        if (!of || !parts || islandId === undefined || of.evaluation.context.backupSet.length === 0)
          return null;
        const study = { plan: of.plan, islandId, parts, weather: this.weather.year().year };
        // With the sun that is counted on, as everywhere.
        return { study: runtimeQuestion(study).study, name: of.name };
      });
      return first && second
        ? { first: first.study, second: second.study, names: [first.name, second.name] }
        : null;
    },
    {
      equal: (a, b) =>
        JSON.stringify(a?.names) === JSON.stringify(b?.names) &&
        a?.first.plan === b?.first.plan &&
        a?.second.plan === b?.second.plan &&
        JSON.stringify([a?.first.parts, a?.second.parts]) ===
          JSON.stringify([b?.first.parts, b?.second.parts]),
    },
  );
  private readonly played = toSignal(
    toObservable(this.pair).pipe(
      switchMap((pair) => (pair ? this.play(pair) : of(null))),
      startWith(null),
    ),
    { initialValue: null },
  );
  protected readonly waits = computed(() =>
    this.results().length < 2
      ? 'There is one design only: copy it, and change the copy.'
      : this.pair()
        ? 'Both are being played…'
        : 'Nothing to play: a design has no units or backs nothing up.',
  );
  protected readonly says = computed(() => {
    const played = this.played();
    return played
      ? played.runs
          .map(({ survivedMin, outageMinutes, lowestCharge }, index) => {
            const lasts = survivedMin >= outageMinutes ? '≥ ' : '';
            return `${played.names[index]!}: ${lasts}${quantityText(Math.min(survivedMin, outageMinutes) / 60, 'h')}, lowest charge ${Math.round(lowestCharge * 100)} %`;
          })
          .join('; ')
      : '';
  });
  protected readonly options = computed(() => {
    const played = this.played();
    return played && pictureOfTwo(played.runs, played.names, chartInk(this.appearance.dark()));
  });

  private idOf(chosen: string, place: number): string {
    const results = this.results();
    return (results.find(({ id }) => id === chosen) ?? results[place] ?? results[0])?.id ?? '';
  }

  private play({ first, second, names }: Pair): Observable<Played | null> {
    const { followedMin } = runtimeQuestion(first);
    return this.studies.hardStart(first).pipe(
      switchMap((fromMinute) =>
        fromMinute === null
          ? EMPTY
          : combineLatest([
              this.studies.play(first, fromMinute, followedMin),
              this.studies.play(second, fromMinute, followedMin, true),
            ]),
      ),
      map(([one, other]): Played | null => (one && other ? { names, runs: [one, other] } : null)),
      catchError((): Observable<Played | null> => of(null)),
      startWith<Played | null>(null),
    );
  }
}
