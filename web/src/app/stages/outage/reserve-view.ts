import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { type ReservePoint, reserveShares } from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { AnswerStore } from '../../data/answer-store';
import { Appearance } from '../../data/appearance';
import { LastAnswers } from '../../data/last-answers';
import { OutageStudies } from '../../data/outage-studies';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk, pointerText } from '../../ui/chart-ink';
import { shareText } from '../../ui/outlook-texts';
import { answered, keptAnswers } from './answered';
import { AskBar } from './ask-bar';
import { OutageState } from './outage-state';

/** How much held-back charge costs in daily use, and what it buys in outages. */
@Component({
  selector: 'lv-reserve-view',
  imports: [AskBar, ChartView],
  template: `
    <section class="sheet" aria-labelledby="reserve-heading">
      <div class="row">
        <h2 id="reserve-heading">Charge held back: what it costs, what it buys</h2>
        <lv-ask-bar label="Work out the curve" [answer]="answer" />
      </div>
      <p class="small soft">
        Day by day the battery is used for {{ dailyUse() }}, down to the charge that is held back. An outage
        in {{ state.season() }} begins with whatever charge there is at that hour.
      </p>
      @if (points(); as points) {
        @if (flat()) {
          <p role="status">
            The battery is not used day by day, so holding charge back costs nothing: keep it full. Enter sun
            under Conditions and say in the brief that own solar or peak prices count.
          </p>
        }
        <div class="chart">
          <lv-chart
            [options]="options()!"
            label="Hours that 19 of 20 outages reach, against what the battery gives on a usual day, by the share held back. The numbers are in the table below."
          />
        </div>
        <table class="ruled small">
          <thead>
            <tr>
              <th scope="col">Held back</th>
              <th scope="col" class="number">Daily use</th>
              <th scope="col" class="number">Given up</th>
              <th scope="col" class="number">19 of 20 reach</th>
              <th scope="col" class="number">Half reach</th>
              <th scope="col" class="number">Reach the required</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.held) {
              <tr>
                <th scope="row" class="figure">{{ row.held }}</th>
                @for (cell of row.cells; track $index) {
                  <td class="number figure">{{ cell }}</td>
                }
              </tr>
            }
          </tbody>
        </table>
      }
    </section>
  `,
  styleUrl: './views.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReserveView {
  readonly plan = input.required<Plan>();
  protected readonly state = inject(OutageState);
  private readonly studies = inject(OutageStudies);
  private readonly appearance = inject(Appearance);

  protected readonly answer = answered(
    this.state.study,
    (study) => this.studies.reserve(study, reserveShares, this.state.season(), this.state.requiredH()),
    keptAnswers(inject(AnswerStore), inject(LastAnswers), 'reserve'),
  );
  protected readonly points = this.answer.value;
  protected readonly dailyUse = computed(() => {
    const { goals } = this.plan().brief;
    if (goals.peakPrice !== 'none') return 'the evening hours of high prices';
    return goals.ownSolar !== 'none' && this.plan().sources.arrays.length > 0
      ? 'the house after sunset'
      : 'nothing';
  });
  protected readonly flat = computed(() => (this.points() ?? []).every(({ dailyWh }) => dailyWh < 1));
  protected readonly rows = computed(() => {
    const points = this.points() ?? [];
    const most = points[0]?.dailyWh ?? 0;
    const hours = (value: number): string => (value >= 167.9 ? 'a week' : quantityText(value, 'h'));
    return points.map(({ heldBack, dailyWh, nineteenOfTwentyH, medianH, requiredShare }) => ({
      held: `${Math.round(heldBack * 100)} %`,
      cells: [
        `${(dailyWh / 1000).toFixed(2)} kWh/day`,
        `${((most - dailyWh) / 1000).toFixed(2)} kWh/day`,
        hours(nineteenOfTwentyH),
        hours(medianH),
        shareText(requiredShare),
      ],
    }));
  });
  protected readonly options = computed((): ChartOptions | null => {
    const points = this.points();
    if (!points) return null;
    const colours = chartInk(this.appearance.dark());
    const line = (
      name: string,
      of: (point: ReservePoint) => number,
      axis: number,
      color: string,
      type: 'solid' | 'dashed' | 'dotted',
    ) => ({
      name,
      type: 'line' as const,
      yAxisIndex: axis,
      symbol: 'circle',
      symbolSize: 5,
      lineStyle: { color, width: 2, type },
      itemStyle: { color },
      data: points.map((point) => [point.heldBack * 100, Math.round(of(point) * 100) / 100]),
    });
    const axis = (name: string, position: 'left' | 'right') => ({
      type: 'value' as const,
      name,
      position,
      min: 0,
      nameTextStyle: { ...axisText(colours), align: position },
      axisLabel: axisText(colours),
      splitLine: { show: position === 'left', lineStyle: { color: colours.rule } },
    });
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 12, top: 52, bottom: 22, containLabel: true },
      legend: { top: 0, left: 0, itemWidth: 26, textStyle: { color: colours.ink, fontSize: 11 } },
      tooltip: { ...pointerText(colours), trigger: 'axis' },
      xAxis: {
        type: 'value',
        min: 0,
        max: 100,
        name: '% of the usable energy held back',
        nameLocation: 'middle',
        nameGap: 20,
        nameTextStyle: axisText(colours),
        axisLabel: axisText(colours),
        splitLine: { show: false },
      },
      yAxis: [axis('hours', 'left'), axis('kWh a day', 'right')],
      series: [
        line(
          '19 of 20 outages reach, h',
          ({ nineteenOfTwentyH }) => nineteenOfTwentyH,
          0,
          colours.ink,
          'solid',
        ),
        line('half of them reach, h', ({ medianH }) => medianH, 0, colours.soft, 'dotted'),
        line('daily use, kWh', ({ dailyWh }) => dailyWh / 1000, 1, colours.accent, 'dashed'),
      ],
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.answer.stop());
  }
}
