import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { quantityText } from '@levamen/core/base';
import { pickupVA, type TripEvent } from '@levamen/core/electric';
import { pickupLengthS, pickupReport, powerCurves, unitOfPart } from '@levamen/core/study/details';
import { SelectButton } from 'primeng/selectbutton';
import { Appearance } from '../data/appearance';
import { ChartView } from '../ui/chart';
import type { ChartOptions } from '../ui/chart-engine';
import { axisText, chartBase, chartInk, kiloLabel } from '../ui/chart-ink';
import { onPart } from './part-names';
import type { PowerContext } from './power-context';

const words: Readonly<Record<TripEvent['kind'], string>> = {
  overload: 'overload begins',
  shed: 'shed',
  trip: 'the inverter disconnects',
  retry: 'it tries again',
  'lock-out': 'it locks out until somebody resets it',
  holds: 'it has held',
};

/** The first half minute after a transfer gap: motors that restart, together or one after the other. */
@Component({
  selector: 'lv-pickup-chart',
  imports: [ChartView, FormsModule, SelectButton],
  template: `
    @if (report(); as report) {
      @if (report.restarts.length === 0) {
        <p class="small soft">No motor restarts by itself.</p>
      } @else {
        <p-selectbutton
          size="small"
          optionLabel="label"
          optionValue="value"
          ariaLabelledBy="pickup-order"
          [allowEmpty]="false"
          [options]="orders"
          [ngModel]="inTurn()"
          (ngModelChange)="inTurn.set($event)"
        />
        <span id="pickup-order" class="visually-hidden">Order of restarts</span>
        <div class="chart"><lv-chart [options]="options()" [label]="says()" /></div>
        <p class="small">{{ says() }}</p>
        <ol class="small events">
          @for (line of events(); track $index) {
            <li>{{ line }}</li>
          }
        </ol>
        <details>
          <summary>The motors and their delays</summary>
          <table class="ruled small">
            <thead>
              <tr>
                <th scope="col">Motor</th>
                <th scope="col" class="number">After</th>
                <th scope="col" class="number">Start</th>
              </tr>
            </thead>
            <tbody>
              @for (row of motors(); track $index) {
                <tr>
                  <th scope="row">{{ row.name }}</th>
                  <td class="number figure">{{ row.at }}</td>
                  <td class="number figure">{{ row.start }}</td>
                </tr>
              }
            </tbody>
          </table>
        </details>
      }
    }
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PickupChart {
  readonly power = input.required<PowerContext>();
  private readonly appearance = inject(Appearance);

  protected readonly orders = [
    { label: 'By their own delays', value: false },
    { label: 'One after the other', value: true },
  ];
  protected readonly inTurn = signal(false);
  protected readonly report = computed(() => pickupReport(this.power().context, this.power().stack));
  private readonly run = computed(() => (this.inTurn() ? this.report().staggeredRun : this.report().run));
  private readonly restarts = computed(() =>
    this.inTurn() ? this.report().staggered : this.report().restarts,
  );
  /** Until the last start within the half minute has settled. */
  private readonly shownS = computed(() => {
    const ends = this.restarts().map(({ atS, durationS }) => atS + durationS);
    return Math.ceil(Math.min(pickupLengthS, Math.max(1, ...ends.filter((s) => s < pickupLengthS)) + 1));
  });
  private readonly asked = computed(() =>
    Array.from({ length: Math.round(this.shownS() * 50) }, (_, i): [number, number] => [
      i / 50,
      Math.round(pickupVA(this.restarts(), this.report().besideVA, i / 50)),
    ]),
  );
  private readonly unit = computed(() => unitOfPart(this.report().part));
  protected readonly says = computed(() => {
    const { part, peakVA, staggeredPeakVA, limitVA } = this.report();
    const peak = this.inTurn() ? staggeredPeakVA : peakVA;
    return `Highest ${onPart(part)}: ${quantityText(peak, this.unit())}, of at most ${quantityText(limitVA, this.unit())}: ${this.run().tripped ? 'it trips' : 'it holds'}.`;
  });
  protected readonly events = computed(() =>
    this.run()
      .events.slice(0, 8)
      .map(
        ({ timeS, kind, what }) => `${timeS.toFixed(2)} s: ${words[kind]}${what === '' ? '' : ` ${what}`}`,
      ),
  );
  protected readonly motors = computed(() =>
    this.restarts()
      .toSorted((a, b) => a.atS - b.atS)
      .map(({ name, atS, startVA }) => ({
        name,
        at: quantityText(atS, 's'),
        start: quantityText(startVA, 'VA'),
      })),
  );

  protected readonly options = computed((): ChartOptions => {
    const colours = chartInk(this.appearance.dark());
    const { ink, soft, rule, accent } = colours;
    const { demandVA, stepS } = this.run();
    const { context, stack } = this.power();
    const ofPart = powerCurves(stack, context.plan.supply.system).find(
      ({ part }) => part === this.report().part,
    );
    const ratedVA = ofPart!.curve.ratedVA;
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 18, top: 28, bottom: 18, containLabel: true },
      legend: { top: 0, left: 0, itemWidth: 18, itemHeight: 8, textStyle: { color: ink, fontSize: 11 } },
      tooltip: { trigger: 'axis', valueFormatter: (value) => `${Math.round(Number(value))} ${this.unit()}` },
      xAxis: {
        type: 'value',
        min: 0,
        max: this.shownS(),
        name: 's since power returned',
        nameLocation: 'middle',
        nameGap: 22,
        nameTextStyle: { color: soft, fontSize: 11 },
        axisLabel: axisText(colours),
        splitLine: { show: false },
        axisLine: { lineStyle: { color: soft } },
      },
      yAxis: {
        type: 'value',
        axisLabel: { ...axisText(colours), formatter: kiloLabel(this.unit()), showMaxLabel: false },
        splitLine: { lineStyle: { color: rule } },
        max: ({ max }) => Math.ceil((Math.max(max, ratedVA) * 1.1) / 1000) * 1000,
      },
      series: [
        {
          name: 'asked for',
          type: 'line',
          symbol: 'none',
          data: this.asked(),
          lineStyle: { color: soft, width: 1.5, type: 'dashed' },
          itemStyle: { color: soft },
        },
        {
          name: 'carried',
          type: 'line',
          symbol: 'none',
          sampling: 'minmax',
          data: Array.from(
            demandVA.subarray(0, Math.round(this.shownS() / stepS)),
            (va, step): [number, number] => [step * stepS, Math.round(va)],
          ),
          lineStyle: { color: accent, width: 2 },
          itemStyle: { color: accent },
          areaStyle: { color: accent, opacity: 0.1 },
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink, width: 2, type: 'solid' },
            label: { formatter: 'continuous', position: 'insideEndTop', color: ink, fontSize: 11 },
            data: [{ yAxis: ratedVA }],
          },
        },
      ],
    };
  });
}
