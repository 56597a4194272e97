import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { UsageAnalysis } from '@levamen/core/house/details';
import { Appearance } from '../../data/appearance';
import { monthNames } from '../../ui/month-names';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { chartInk } from '../../ui/chart-ink';
import {
  durationOptions,
  exportOptions,
  heatOptions,
  monthOptions,
  weekdayNames,
  weekOptions,
} from './usage-chart-options';

interface ChartCard {
  readonly title: string;
  readonly options: ChartOptions;
  /** The numbers behind it. */
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const hours = Array.from({ length: 24 }, (_, hour) => String(hour));
const whole = (value: number | null): string => (value === null ? '–' : String(Math.round(value)));
const oneDecimal = (wh: number): string => (wh / 1000).toFixed(1);

/** The pictures of an analysis, each with the table of its numbers. */
@Component({
  selector: 'lv-usage-charts',
  imports: [ChartView],
  template: `
    <div class="charts">
      @for (card of cards(); track card.title) {
        <section class="sheet" [attr.aria-label]="card.title">
          <h3>{{ card.title }}</h3>
          <div class="chart">
            <lv-chart
              [options]="card.options"
              [label]="card.title + '. The numbers are in the table below.'"
            />
          </div>
          <details>
            <summary>As a table</summary>
            <div class="scroll" tabindex="0" role="region" [attr.aria-label]="card.title + ', numbers'">
              <table class="ruled small">
                <thead>
                  <tr>
                    @for (cell of card.head; track $index) {
                      <th scope="col" class="number">{{ cell }}</th>
                    }
                  </tr>
                </thead>
                <tbody>
                  @for (row of card.rows; track $index) {
                    <tr>
                      @for (cell of row; track $index) {
                        <td class="number figure">{{ cell }}</td>
                      }
                    </tr>
                  }
                </tbody>
              </table>
            </div>
          </details>
        </section>
      }
    </div>
  `,
  styleUrl: './cards.css',
  styles: `
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(30rem, 100%), 1fr));
      gap: 0.7rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UsageCharts {
  private readonly appearance = inject(Appearance);
  readonly analysis = input.required<UsageAnalysis>();

  protected readonly cards = computed((): ChartCard[] => {
    const analysis = this.analysis();
    const ink = chartInk(this.appearance.dark());
    const cards: ChartCard[] = [
      {
        title: 'Mean demand by month and hour',
        options: heatOptions(analysis, ink),
        head: ['W', ...hours],
        rows: analysis.heat.map((row, month) => [monthNames[month]!, ...row.map(whole)]),
      },
      {
        title: 'How long a demand is passed',
        options: durationOptions(analysis, ink),
        head: ['Share of the time', 'W'],
        rows: analysis.duration.map((value, percent) => [`${percent} %`, whole(value)]),
      },
      {
        title: 'The week',
        options: weekOptions(analysis, ink),
        head: ['W', ...hours],
        rows: analysis.week.map((row, day) => [weekdayNames[day]!, ...row.map(whole)]),
      },
      {
        title: 'Days of each month',
        options: monthOptions(analysis, ink),
        head: ['Month', 'Days', 'Lowest, kWh', 'Mean, kWh', 'Highest, kWh'],
        rows: analysis.months.map(({ month, days, lowestDayWh, energyWh, highestDayWh }) => [
          month,
          String(days),
          oneDecimal(lowestDayWh),
          oneDecimal(energyWh / days),
          oneDecimal(highestDayWh),
        ]),
      },
    ];
    if (analysis.exportByHourWh) {
      cards.push({
        title: 'Surplus sent to the grid, by hour of a mean day',
        options: exportOptions(analysis.exportByHourWh, ink),
        head: ['Hour', 'Wh'],
        rows: analysis.exportByHourWh.map((wh, hour) => [`${hour}:00`, whole(wh)]),
      });
    }
    return cards;
  });
}
