import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import { emptyPlacement, placementSchema, type Placement } from '@levamen/core/design';
import { usualAbsorptance } from '@levamen/core/placement/details';
import { Appearance } from '../../data/appearance';
import { JobSession } from '../../data/job-session';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { chartInk } from '../../ui/chart-ink';
import { FigureTable } from '../../ui/figure-table';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { monthNames } from '../../ui/month-names';
import { PlacementState } from './placement-state';

const oneDecimal = (value: number): string => value.toFixed(1);

/** Sun on the cabinets by month, and how warm and cold they get through the year. */
@Component({
  selector: 'lv-climate-view',
  imports: [ChartView, FigureTable, FormField],
  template: `
    <p class="small soft">
      Direct sun minute by minute from the way of the sun, with eaves and horizon; light and air from the year
      of weather of the outage. A cabinet follows them with the delay of its mass. Hours of sun alone mislead:
      low sun early and late warms little.
    </p>
    @if (rows().length === 0) {
      <p>Put units on a wall first: then their sun and temperatures are worked out.</p>
    } @else {
      <lv-figure-table label="Temperatures of the cabinets" [heads]="heads()" [rows]="rows()" />
      @if (sunRows().length > 0) {
        <h3>Direct sun, hours a day, by month</h3>
        <div class="chart">
          <lv-chart
            [options]="options()"
            label="Direct sun on the cabinets, hours a day by month. The numbers are in the table below."
          />
        </div>
        <lv-figure-table label="Direct sun, hours a day, by month" [heads]="sunHeads" [rows]="sunRows()" />
        <h3>Light on the front, kWh/m² a day</h3>
        <lv-figure-table label="Light on the front by month" [heads]="sunHeads" [rows]="lightRows()" />
      } @else {
        <p class="small">
          No unit gets direct sun: they are indoors or shaded, or nobody has said where their wall faces.
        </p>
      }
    }
    <div class="field"><lv-form-field [of]="form" name="absorptance" /></div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.6rem;
    }
    .chart {
      height: 13rem;
    }
    .field {
      max-width: 18rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ClimateView {
  private readonly state = inject(PlacementState);
  private readonly session = inject(JobSession);
  private readonly appearance = inject(Appearance);

  protected readonly sunHeads = ['', ...monthNames];
  private readonly shown = computed(() => {
    const placed = new Map(this.state.placed().map((one) => [one.thing.id, one]));
    return this.state.climates().flatMap((climate) => {
      const one = placed.get(climate.thingId);
      return one ? [{ climate, name: `${one.thing.name}, wall ${one.wall.name}` }] : [];
    });
  });
  protected readonly heads = computed(() => [
    '',
    'Hottest hour',
    'Coldest hour',
    'Below 0 °C',
    'Derates for',
    'Power then',
    'Heater in the year',
  ]);
  protected readonly rows = computed(() => {
    const units = this.state.units();
    return this.shown().map(({ climate, name }) => ({
      name,
      cells: [
        quantityText(climate.hottestC, '°C', units),
        quantityText(climate.coldestC, '°C', units),
        `${climate.coldH} h`,
        `${climate.hotH} h`,
        quantityText(climate.powerLeft, 'share', units),
        climate.heaterWh === null ? '–' : quantityText(climate.heaterWh, 'Wh', units),
      ],
    }));
  });
  protected readonly sunRows = computed(() =>
    this.shown().flatMap(({ climate, name }) =>
      climate.sunHByMonth ? [{ name, cells: climate.sunHByMonth.map(oneDecimal) }] : [],
    ),
  );
  protected readonly lightRows = computed(() =>
    this.shown().flatMap(({ climate, name }) =>
      climate.lightWhByMonth
        ? [{ name, cells: climate.lightWhByMonth.map((wh) => oneDecimal(wh / 1000)) }]
        : [],
    ),
  );
  protected readonly options = computed((): ChartOptions => {
    const { ink, soft, rule } = chartInk(this.appearance.dark());
    return {
      animation: false,
      grid: { left: 36, right: 12, top: 28, bottom: 24 },
      legend: { top: 0, textStyle: { color: ink } },
      xAxis: { type: 'category', data: [...monthNames], axisLabel: { color: soft } },
      yAxis: {
        type: 'value',
        name: 'h',
        axisLabel: { color: soft },
        splitLine: { lineStyle: { color: rule } },
      },
      series: this.shown().flatMap(({ climate, name }) =>
        climate.sunHByMonth ? [{ type: 'line' as const, name, data: [...climate.sunHByMonth] }] : [],
      ),
    };
  });
  protected readonly form = formOf<Placement>(
    placementSchema.shape,
    computed(() => this.session.plan()?.placement ?? emptyPlacement()),
    (change, label) =>
      this.session.edit(label, (plan) => ({ ...plan, placement: { ...plan.placement, ...change } })),
    {
      units: this.state.units,
      defaults: computed(() => ({ absorptance: { value: usualAbsorptance, why: 'grey cabinets' } })),
    },
  );
}
