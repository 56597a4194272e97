import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { type Tier, tiers } from '@levamen/core/house';
import { Appearance } from '../../data/appearance';
import { ChartView } from '../../ui/chart';
import { chartBase, chartInk, powerLabel } from '../../ui/chart-ink';
import type { ChartOptions } from '../../ui/chart-engine';

const hours = Array.from({ length: 24 }, (_, hour) => hour);

/** Tiers are told apart by pattern as well as by colour, so that they survive a grey printer. */
const looks: Readonly<Record<Tier, { light: string; dark: string; symbol: string; rotation: number }>> = {
  must: { light: '#26221c', dark: '#efe7d6', symbol: 'none', rotation: 0 },
  should: { light: '#6473c8', dark: '#8f9bdd', symbol: 'line', rotation: Math.PI / 4 },
  may: { light: '#b08a3c', dark: '#c9a150', symbol: 'circle', rotation: 0 },
  never: { light: '#a89c84', dark: '#7d735f', symbol: 'line', rotation: -Math.PI / 4 },
};

/** Hourly demand of the backup set by tier, with the numbers as a table behind it. */
@Component({
  selector: 'lv-demand-chart',
  imports: [ChartView],
  template: `
    <div class="chart">
      <lv-chart
        [options]="options()"
        label="Hourly demand of the backup set by tier. The numbers are in the table below."
      />
    </div>
    <details>
      <summary>Hourly demand as a table</summary>
      <div class="scroll" tabindex="0" role="region" aria-label="Hourly demand">
        <table class="ruled small">
          <thead>
            <tr>
              <th scope="col">Hour</th>
              @for (tier of tiers; track tier) {
                <th scope="col" class="number">{{ tier }}, W</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of table(); track row.hour) {
              <tr>
                <th scope="row" class="figure">{{ row.hour }}:00</th>
                @for (cell of row.cells; track $index) {
                  <td class="number figure">{{ cell }}</td>
                }
              </tr>
            }
          </tbody>
        </table>
      </div>
    </details>
  `,
  styles: `
    .chart {
      height: 11.5rem;
    }
    summary {
      font-size: 0.85rem;
      color: var(--accent);
      cursor: pointer;
    }
    .scroll {
      max-height: 14rem;
      overflow: auto;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DemandChart {
  readonly hourly = input.required<Readonly<Record<Tier, Float64Array>>>();
  private readonly appearance = inject(Appearance);
  protected readonly tiers = tiers;

  protected readonly table = computed(() =>
    hours.map((hour) => ({ hour, cells: tiers.map((tier) => Math.round(this.hourly()[tier][hour]!)) })),
  );

  protected readonly options = computed((): ChartOptions => {
    const dark = this.appearance.dark();
    const colours = chartInk(dark);
    const { ink, soft, rule, paper } = colours;
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 8, top: 30, bottom: 4, containLabel: true },
      legend: { top: 0, left: 0, itemWidth: 14, itemHeight: 9, textStyle: { color: ink, fontSize: 12 } },
      tooltip: { trigger: 'axis', valueFormatter: (value) => `${Math.round(Number(value))} W` },
      aria: { enabled: true, decal: { show: true } },
      xAxis: {
        type: 'category',
        data: hours.map(String),
        axisLabel: { color: soft, fontSize: 11, interval: 3 },
        axisLine: { lineStyle: { color: soft } },
        axisTick: { show: false },
      },
      yAxis: {
        type: 'value',
        axisLabel: {
          color: soft,
          fontSize: 11,
          formatter: powerLabel,
        },
        splitLine: { lineStyle: { color: rule } },
      },
      series: tiers
        .filter((tier) => this.hourly()[tier].some((wh) => wh > 0))
        .map((tier) => {
          const { light, dark: night, symbol, rotation } = looks[tier];
          return {
            name: tier,
            type: 'bar',
            stack: 'demand',
            barCategoryGap: '12%',
            data: Array.from(this.hourly()[tier], (wh) => Math.round(wh)),
            itemStyle: {
              color: dark ? night : light,
              decal:
                symbol === 'none'
                  ? { symbol: 'none' }
                  : {
                      symbol: symbol === 'line' ? 'rect' : 'circle',
                      dashArrayX: [1, 0],
                      dashArrayY: [2, 4],
                      rotation,
                      color: paper,
                      symbolSize: symbol === 'line' ? 1 : 0.7,
                    },
            },
          };
        }),
    };
  });
}
