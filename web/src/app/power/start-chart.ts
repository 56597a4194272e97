import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { quantityText } from '@levamen/core/base';
import {
  lockedRotorPowerFactor,
  phasorSumVA,
  startPowerFactor,
  voltageDipShare,
} from '@levamen/core/electric';
import type { Load } from '@levamen/core/house';
import { connectedVA } from '@levamen/core/house/details';
import type { StartCase } from '@levamen/core/study';
import { heldStarts, unitOfPart } from '@levamen/core/study/details';
import { Appearance } from '../data/appearance';
import { ChartView } from '../ui/chart';
import type { ChartOptions } from '../ui/chart-engine';
import { axisText, chartBase, chartInk, kiloLabel } from '../ui/chart-ink';
import { ChoiceField, type Choice } from '../ui/choice-field';
import { onPart } from './part-names';
import type { PowerContext } from './power-context';

const stepS = 0.01;

/** Mean power factor of what runs, weighted by power. */
const besidePowerFactor = (loads: readonly Load[]): number => {
  const activeW = loads.reduce((sum, { quantity, runningPowerW }) => sum + quantity * runningPowerW, 0);
  const apparentVA = connectedVA(loads);
  return apparentVA > 0 ? activeW / apparentVA : 1;
};

/** The largest starts against the overload curve, step by step. */
@Component({
  selector: 'lv-start-chart',
  imports: [ChartView, ChoiceField],
  template: `
    @if (start(); as one) {
      @if (choices().length > 1) {
        <lv-choice-field
          label="Start of"
          [choices]="choices()"
          [value]="chosen()"
          (valueChange)="chosen.set($event)"
        />
      }
      <div class="chart">
        <lv-chart [options]="options()" [label]="says()" />
      </div>
      <p class="small">{{ says() }}</p>
      @if (angles() !== '') {
        <p class="small">{{ angles() }}</p>
      }
      @if (dip() !== '') {
        <p class="small">{{ dip() }}</p>
      }
      <p class="small soft">
        The stair is what may be drawn for how long: after each time the demand must have fallen to the next
        step.
      </p>
    } @else {
      <p class="small soft">Nothing in the backup set starts with a surge.</p>
    }
  `,
  styleUrl: './power.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartChart {
  readonly power = input.required<PowerContext>();
  private readonly appearance = inject(Appearance);

  private readonly starts = computed(() =>
    this.power().context.power.starts.toSorted((a, b) => b.totalVA - a.totalVA),
  );
  protected readonly choices = computed(() =>
    this.starts().map(({ load }): Choice<string> => ({ label: load.name, value: load.id })),
  );
  protected readonly chosen = linkedSignal<readonly StartCase[], string | null>({
    source: this.starts,
    computation: (starts, before) =>
      (starts.find(({ load }) => load.id === before?.value) ?? starts[0])?.load.id ?? null,
  });
  protected readonly start = computed(
    (): StartCase | null => this.starts().find(({ load }) => load.id === this.chosen()) ?? null,
  );
  /** What comes nearest to its limit: the whole, the highest leg, or the battery. */
  private readonly worst = computed(() => {
    const start = this.start();
    if (!start) return null;
    const { context, stack } = this.power();
    return heldStarts(start, stack, context.plan.supply.system).reduce((worst, next) =>
      next.moment.ratio > worst.moment.ratio ? next : worst,
    );
  });
  private readonly unit = computed(() => unitOfPart(this.worst()?.part ?? 'whole'));
  private readonly shownS = computed(() => Math.max(1.5, (this.start()?.durationS ?? 1) * 1.6));
  protected readonly says = computed(() => {
    const start = this.start();
    const worst = this.worst();
    if (!start || !worst) return '';
    const { ratio, demandVA, allowedVA, timeS } = worst.moment;
    const when = timeS === 0 ? 'at once' : `after ${quantityText(timeS, 's')}`;
    return `${start.load.name} ${onPart(worst.part)}: ${quantityText(demandVA, this.unit())} ${when}, of ${quantityText(allowedVA, this.unit())}: ${ratio > 1 ? 'the inverter disconnects' : 'it holds'}.`;
  });
  /** Demand with phase angles, on the axis that is shown. */
  private readonly withAnglesVA = computed(() => {
    const start = this.start();
    const worst = this.worst();
    if (!start || !worst) return null;
    const beside = besidePowerFactor(this.power().context.powerSet);
    return (timeS: number): number =>
      phasorSumVA([
        { powerVA: worst.beside, powerFactor: beside },
        {
          powerVA: worst.level(timeS) - worst.beside,
          powerFactor: startPowerFactor(timeS, start.durationS, start.load.powerFactor),
        },
      ]);
  });
  protected readonly angles = computed(() => {
    const demandVA = this.withAnglesVA();
    return demandVA
      ? `Added with their phase angles, at a locked-rotor power factor of about ${lockedRotorPowerFactor} (common practice), it is ${quantityText(demandVA(0), 'VA')} at once; the plain sum is on the safe side.`
      : '';
  });
  protected readonly dip = computed(() => {
    const start = this.start();
    const { stack } = this.power();
    const share = start ? voltageDipShare(stack.voltageDroop, start.totalVA, stack.continuousVA) : null;
    return share === null
      ? start
        ? 'The droop of this inverter is not stated, so the voltage dip is not known.'
        : ''
      : `The voltage dips by about ${quantityText(share, 'share')}.`;
  });

  protected readonly options = computed((): ChartOptions => {
    const colours = chartInk(this.appearance.dark());
    const { ink, soft, rule, accent } = colours;
    const worst = this.worst();
    const endS = this.shownS();
    const steps = Math.ceil(endS / stepS);
    const trace: [number, number][] = [];
    const allowed: [number, number][] = [];
    const angled: [number, number][] = [];
    if (worst) {
      trace.push([-0.1, Math.round(worst.beside)], [0, Math.round(worst.beside)]);
      const withAngles = this.withAnglesVA();
      for (let i = 0; i <= steps; i += 1) {
        trace.push([i * stepS, Math.round(worst.level(i * stepS))]);
        if (withAngles) angled.push([i * stepS, Math.round(withAngles(i * stepS))]);
      }
      const powers = [
        worst.curve.ratedVA,
        ...worst.curve.overload.map(({ apparentPowerVA }) => apparentPowerVA),
      ];
      const times = [...worst.curve.overload.map(({ durationS }) => durationS), 0];
      for (let k = powers.length - 1; k >= 0 && times[k]! < endS; k -= 1) {
        allowed.push([times[k]!, powers[k]!], [Math.min(times[k - 1] ?? endS, endS), powers[k]!]);
      }
    }
    return {
      ...chartBase(colours),
      grid: { left: 8, right: 18, top: 26, bottom: 18, containLabel: true },
      legend: { top: 0, left: 0, itemWidth: 18, itemHeight: 8, textStyle: { color: ink, fontSize: 11 } },
      tooltip: {
        trigger: 'axis',
        valueFormatter: (value) => `${Math.round(Number(value))} ${this.unit()}`,
      },
      xAxis: {
        type: 'value',
        min: -0.1,
        max: endS,
        name: 's since the start',
        nameLocation: 'middle',
        nameGap: 22,
        nameTextStyle: { color: soft, fontSize: 11 },
        axisLabel: {
          ...axisText(colours),
          showMinLabel: false,
          formatter: (v: number) => String(+v.toFixed(2)),
        },
        splitLine: { show: false },
        axisLine: { lineStyle: { color: soft } },
      },
      yAxis: {
        type: 'value',
        axisLabel: { ...axisText(colours), formatter: kiloLabel(this.unit()) },
        splitLine: { lineStyle: { color: rule } },
      },
      series: [
        {
          name: 'demand',
          type: 'line',
          symbol: 'none',
          data: trace,
          lineStyle: { color: accent, width: 2.5 },
          itemStyle: { color: accent },
          areaStyle: { color: accent, opacity: 0.1 },
        },
        {
          name: 'with phase angles',
          type: 'line',
          symbol: 'none',
          data: angled,
          lineStyle: { color: soft, width: 1.5, type: 'dotted' },
          itemStyle: { color: soft },
        },
        {
          name: 'allowed',
          type: 'line',
          symbol: 'none',
          data: allowed,
          lineStyle: { color: ink, width: 2, type: 'dashed' },
          itemStyle: { color: ink },
        },
      ],
    };
  });
}
