import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import { type Season, seasons } from '@levamen/core/nature';
import { dayPartFacts, dayParts } from '@levamen/core/house';
import {
  bandsByHour,
  decidingAxes,
  type DemandBand,
  demandBands,
  expectedTripsPerDay,
  type PowerPart,
  unitOfPart,
} from '@levamen/core/study/details';
import { SelectButton } from 'primeng/selectbutton';
import { Appearance } from '../data/appearance';
import { ChartView } from '../ui/chart';
import type { ChartOptions } from '../ui/chart-engine';
import { axisText, chartBase, chartInk, kiloLabel } from '../ui/chart-ink';
import { partNames } from './part-names';
import type { PowerContext } from './power-context';

const hours = Array.from({ length: 24 }, (_, hour) => String(hour));
const percent = (share: number): string =>
  share === 0 ? '0' : share < 0.0001 ? '<0.01 %' : `${(share * 100).toPrecision(2)} %`;

/** Running demand through the day as a band, against the continuous limit: of the whole, of a leg, or of the battery. */
@Component({
  selector: 'lv-demand-band-chart',
  imports: [ChartView, FormsModule, SelectButton],
  template: `
    <div class="choose">
      <p-selectbutton
        size="small"
        [allowEmpty]="false"
        [options]="seasonChoices"
        ariaLabelledBy="band-season"
        [ngModel]="season()"
        (ngModelChange)="season.set($event)"
      />
      @if (axes().length > 1) {
        <p-selectbutton
          size="small"
          [allowEmpty]="false"
          optionLabel="label"
          optionValue="value"
          [options]="axes()"
          ariaLabelledBy="band-axis"
          [ngModel]="axis()"
          (ngModelChange)="axis.set($event)"
        />
      }
      <span id="band-season" class="visually-hidden">Season</span>
      <span id="band-axis" class="visually-hidden">Whole, leg or battery</span>
    </div>
    <div class="chart">
      <lv-chart
        [options]="options()"
        label="Running demand by hour: median, 95 % and 99.9 % of the time, everything at once, and the limit. The numbers are in the table below."
      />
    </div>
    <p class="small">
      @if (trips() === 0) {
        No overload trip is expected from running loads.
      } @else {
        <b>{{ tripsText() }}</b> from running loads.
      }
    </p>
    <table class="ruled small">
      <thead>
        <tr>
          <th scope="col">k{{ unit() }}</th>
          <th scope="col" class="number">Median</th>
          <th scope="col" class="number">95 %</th>
          <th scope="col" class="number">99.9 %</th>
          <th scope="col" class="number">All</th>
          <th scope="col" class="number">Over</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.part) {
          <tr>
            <th scope="row">{{ row.part }}</th>
            @for (cell of row.cells; track $index) {
              <td class="number figure">{{ cell }}</td>
            }
          </tr>
        }
      </tbody>
    </table>
    @if (neutral() !== '') {
      <p class="small">{{ neutral() }}</p>
    }
    <p class="small soft">
      Loads that cycle are on by chance, independently of each other; the distribution of their sum is exact.
      Over: share of the time above the limit.
    </p>
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DemandBandChart {
  readonly power = input.required<PowerContext>();
  /** What is shown first. */
  readonly first = input<PowerPart>('whole');
  private readonly appearance = inject(Appearance);

  protected readonly seasonChoices: Season[] = [...seasons];
  private readonly seasonOfBrief = computed(() => this.power().season);
  protected readonly season = linkedSignal(() => this.seasonOfBrief());
  protected readonly axis = linkedSignal(() => this.first());
  private readonly system = computed(() => this.power().context.plan.supply.system);
  private readonly limits = computed(() => decidingAxes(this.power().stack, this.system()));
  private readonly bands = computed(() =>
    demandBands(
      this.system(),
      this.power().context.powerSet,
      this.season(),
      this.limits().map(({ part, levels }) => ({ part, limitVA: levels[0]!.aboveVA })),
    ),
  );
  protected readonly axes = computed(() =>
    this.limits().map(({ part }) => ({ label: partNames[part], value: part })),
  );
  private readonly place = computed(() => Math.max(0, this.bands().of.indexOf(this.axis())));
  protected readonly unit = computed(() => unitOfPart(this.bands().of[this.place()]!));
  private readonly limitVA = computed(() => this.limits()[this.place()]!.levels[0]!.aboveVA);
  private bandOf(part: (typeof dayParts)[number]): DemandBand {
    return this.bands().parts[part].bands[this.place()]!;
  }
  protected readonly trips = computed(() => {
    const { part, levels } = this.limits()[this.place()]!;
    return expectedTripsPerDay(this.system(), this.power().context.powerSet, this.season(), levels, part);
  });
  protected readonly tripsText = computed(() => {
    const trips = this.trips();
    if (!Number.isFinite(trips)) return 'It trips as soon as it starts, and after every retry,';
    return trips < 0.01
      ? 'Less than one overload trip in a hundred outage days is expected'
      : `At most ${trips.toPrecision(2)} overload trips are expected on an outage day`;
  });
  protected readonly rows = computed(() =>
    dayParts.map((part) => {
      const { medianVA, p95VA, p999VA, sumVA, aboveLimit } = this.bandOf(part);
      return {
        part: dayPartFacts[part].label.replace(' ', '\u00a0'),
        cells: [...[medianVA, p95VA, p999VA, sumVA].map((va) => (va / 1000).toFixed(2)), percent(aboveLimit)],
      };
    }),
  );
  protected readonly neutral = computed(() => {
    const all = dayParts.flatMap((part) => this.bands().parts[part].neutralP999A ?? []);
    const { neutralA } = this.power().stack;
    if (all.length === 0) return '';
    const text = `Neutral, not passed for 99.9 % of the time: ${quantityText(Math.max(...all), 'A')}`;
    return neutralA === null
      ? `${text}; its rating is not stated.`
      : `${text} of ${quantityText(neutralA, 'A')}.`;
  });

  protected readonly options = computed((): ChartOptions => {
    const colours = chartInk(this.appearance.dark());
    const { ink, soft, rule, accent } = colours;
    const of = (value: (band: DemandBand) => number): number[] =>
      bandsByHour(this.bands(), ({ part }) => Math.round(value(this.bandOf(part))));
    const line = (name: string, data: number[], width: number, type: 'solid' | 'dashed' | 'dotted') => ({
      name,
      type: 'line' as const,
      step: 'middle' as const,
      symbol: 'none',
      data,
      lineStyle: { color: type === 'dotted' ? soft : accent, width, type },
      itemStyle: { color: type === 'dotted' ? soft : accent },
    });
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 14, top: 44, bottom: 4, containLabel: true },
      legend: { top: 0, left: 0, itemWidth: 18, itemHeight: 8, textStyle: { color: ink, fontSize: 11 } },
      tooltip: { trigger: 'axis', valueFormatter: (value) => `${Number(value)} ${this.unit()}` },
      xAxis: {
        type: 'category',
        data: hours,
        axisLabel: { ...axisText(colours), interval: 5 },
        axisLine: { lineStyle: { color: soft } },
        axisTick: { show: false },
      },
      yAxis: {
        type: 'value',
        axisLabel: { ...axisText(colours), formatter: kiloLabel(this.unit()), showMaxLabel: false },
        splitLine: { lineStyle: { color: rule } },
        max: ({ max }) => Math.ceil((Math.max(max, this.limitVA()) * 1.1) / 1000) * 1000,
      },
      series: [
        line(
          'everything at once',
          of(({ sumVA }) => sumVA),
          1.5,
          'dotted',
        ),
        {
          ...line(
            '99.9 %',
            of(({ p999VA }) => p999VA),
            2.5,
            'solid',
          ),
          areaStyle: { color: accent, opacity: 0.1 },
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink, width: 2, type: 'solid' },
            label: { formatter: 'limit', position: 'insideEndTop', color: ink, fontSize: 11 },
            data: [{ yAxis: this.limitVA() }],
          },
        },
        line(
          '95 %',
          of(({ p95VA }) => p95VA),
          1.5,
          'dashed',
        ),
        line(
          'median',
          of(({ medianVA }) => medianVA),
          1,
          'solid',
        ),
      ],
    };
  });
}
