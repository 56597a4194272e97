import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Season, seasons } from '@levamen/core/nature';
import { recordSurvived, survivalCurve, type SurvivalPoint } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { SelectButton } from 'primeng/selectbutton';
import { AnswerStore } from '../../data/answer-store';
import { Appearance } from '../../data/appearance';
import { LastAnswers } from '../../data/last-answers';
import { OutageStudies } from '../../data/outage-studies';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk, pointerText } from '../../ui/chart-ink';
import type { Choice } from '../../ui/choice-field';
import { answered, keptAnswers } from './answered';
import { AskBar } from './ask-bar';
import { OutageState } from './outage-state';

type By = 'season' | 'charge';

const seedCount = 12;
const startCharges = [1, 0.75, 0.5, 0.25] as const;
const seasonWords: Readonly<Record<Season, string>> = {
  winter: 'Winter',
  shoulder: 'Spring and autumn',
  summer: 'Summer',
};
const dashes = ['solid', 'dashed', 'dotted', [8, 3, 2, 3]] as const;
const percent = (share: number): string =>
  `${(share * 100).toFixed(share > 0.995 || share < 0.005 ? 1 : 0)} %`;

/** How likely outages of a length are got through: by season and by the charge at the start, over many years of weather. */
@Component({
  selector: 'lv-chances-view',
  imports: [AskBar, ChartView, FormsModule, SelectButton],
  template: `
    <section class="sheet" aria-labelledby="chances-heading">
      <div class="row">
        <h2 id="chances-heading">How likely an outage is got through</h2>
        <lv-ask-bar [label]="'Play ' + years + ' years'" [answer]="answer" />
        @if (answer.value()) {
          <p-selectbutton
            size="small"
            optionLabel="label"
            optionValue="value"
            ariaLabel="One line for each"
            [allowEmpty]="false"
            [options]="choices"
            [ngModel]="by()"
            (ngModelChange)="by.set($event)"
          />
        }
      </div>
      <p class="small soft">
        Each year has other weather and other moments of switching{{
          plan().outage.weatherId === null ? '' : ' (with a weather file, only the switching differs)'
        }}; an outage begins every three hours of it. Bands hold nine tenths of the years.
      </p>
      @if (lines(); as lines) {
        <div class="chart">
          <lv-chart
            [options]="options()!"
            label="Share of outages that are got through, by their length. The numbers are in the table below."
          />
        </div>
        @if (record() !== '') {
          <p>{{ record() }}</p>
        }
        <div class="scroller">
          <table class="ruled small">
            <thead>
              <tr>
                <th scope="col">Length</th>
                @for (line of lines; track line.name) {
                  <th scope="col" class="number">{{ line.name }}</th>
                }
              </tr>
            </thead>
            <tbody>
              @for (row of rows(); track row.hours) {
                <tr>
                  <th scope="row" class="figure">{{ row.hours }} h</th>
                  @for (cell of row.cells; track $index) {
                    <td class="number figure">{{ cell }}</td>
                  }
                </tr>
              }
            </tbody>
          </table>
        </div>
      }
    </section>
  `,
  styleUrl: './views.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChancesView {
  readonly plan = input.required<Plan>();
  private readonly state = inject(OutageState);
  private readonly studies = inject(OutageStudies);
  private readonly appearance = inject(Appearance);

  protected readonly years = seedCount;
  protected readonly by = signal<By>('season');
  protected readonly choices: Choice<By>[] = [
    { label: 'By season', value: 'season' },
    { label: 'By charge at the start', value: 'charge' },
  ];
  protected readonly answer = answered(
    this.state.study,
    (study) =>
      this.studies.years(
        study,
        Array.from({ length: seedCount }, (_, index) => study.plan.outage.seed + index),
        startCharges,
      ),
    keptAnswers(inject(AnswerStore), inject(LastAnswers), 'chances'),
  );
  protected readonly lines = computed((): { name: string; points: SurvivalPoint[] }[] | null => {
    const byCharge = this.answer.value();
    if (!byCharge) return null;
    const latitude = this.state.weather()?.latitudeDeg ?? 40;
    if (this.by() === 'season') {
      return seasons.map((season) => ({
        name: seasonWords[season],
        points: survivalCurve(byCharge[0]!, season, latitude),
      }));
    }
    return startCharges.map((share, index) => ({
      name: `${share * 100} % charged`,
      points: survivalCurve(byCharge[index]!, 'year', latitude),
    }));
  });
  protected readonly rows = computed(() => {
    const lines = this.lines() ?? [];
    return (lines[0]?.points ?? []).map(({ hours }, index) => ({
      hours,
      cells: lines.map(({ points }) => {
        const { share, low, high } = points[index]!;
        return low === high ? percent(share) : `${percent(share)} (${percent(low)}–${percent(high)})`;
      }),
    }));
  });
  protected readonly record = computed(() => {
    const byCharge = this.answer.value();
    const lengths = this.plan().usage.outages.map(({ durationS }) => durationS / 60);
    if (!byCharge || lengths.length === 0) return '';
    const share = recordSurvived(byCharge[0]!, lengths);
    return `Of the ${lengths.length} outages on record, taken at any hour of the year with a full battery, ${percent(share)} would be got through.`;
  });
  protected readonly options = computed((): ChartOptions | null => {
    const lines = this.lines();
    if (!lines) return null;
    const colours = chartInk(this.appearance.dark());
    const inks = [colours.ink, colours.accent, colours.scale[3]!, colours.soft];
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 16, top: 34, bottom: 22, containLabel: true },
      legend: {
        top: 0,
        left: 0,
        itemWidth: 26,
        textStyle: { color: colours.ink, fontSize: 11 },
        data: lines.map(({ name }) => name),
      },
      tooltip: {
        ...pointerText(colours),
        trigger: 'axis',
        valueFormatter: (value) => `${Number(value).toFixed(1)} %`,
      },
      xAxis: {
        type: 'log',
        min: 1,
        max: 168,
        logBase: 2,
        name: 'length of the outage, h',
        nameLocation: 'middle',
        nameGap: 20,
        nameTextStyle: axisText(colours),
        axisLabel: axisText(colours),
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value',
        min: 0,
        max: 100,
        axisLabel: { ...axisText(colours), formatter: '{value} %' },
        splitLine: { lineStyle: { color: colours.rule } },
      },
      series: lines.flatMap(({ name, points }, index) => {
        const color = inks[index]!;
        const band = (of: (point: SurvivalPoint) => number, opacity: number) => ({
          name: `${name}, band`,
          type: 'line' as const,
          stack: name,
          symbol: 'none',
          silent: true,
          lineStyle: { opacity: 0 },
          tooltip: { show: false },
          areaStyle: { color, opacity },
          data: points.map((point) => [point.hours, of(point) * 100]),
        });
        return [
          band(({ low }) => low, 0),
          band(({ low, high }) => high - low, 0.12),
          {
            name,
            type: 'line' as const,
            symbol: 'none',
            lineStyle: { color, width: 2, type: dashes[index] as 'solid' },
            itemStyle: { color },
            data: points.map(({ hours, share }) => [hours, share * 100]),
          },
        ];
      }),
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.answer.stop());
  }
}
