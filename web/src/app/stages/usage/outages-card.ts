import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { field } from '@levamen/core/base';
import {
  houseClock,
  houseZone,
  instantOf,
  momentaryS,
  type Outage,
  outageFacts,
  outageSchema,
  type Reliability,
  reliabilityFacts,
  reliabilitySchema,
  type Usage,
  usageSchema,
} from '@levamen/core/house';
import { neverShown, readLengthS, readOutages } from '@levamen/core/house/details';
import { type Plan, settingsOf } from '@levamen/core/design';

import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk, pointerText } from '../../ui/chart-ink';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { PasteRows } from './paste-rows';
import { UsageEdits } from './usage-edits';

const lengthText = (seconds: number): string => {
  if (seconds < 60) return `${Math.round(seconds)} s`;
  if (seconds < 3600) return `${Math.round(seconds / 60)} min`;
  const hours = seconds / 3600;
  return hours < 48 ? `${hours.toFixed(1)} h` : `${(hours / 24).toFixed(1)} days`;
};
const percent = (share: number): string => `${Math.round(share * 100)} %`;

type Indices = { readonly [K in keyof Reliability]: number | null };
const noIndices: Indices = { interruptionsPerYear: null, minutesPerYear: null };
/** Either may be emptied, which takes both away: one alone says nothing. */
const indices = {
  interruptionsPerYear: field(reliabilitySchema.shape.interruptionsPerYear.nullable(), {
    label: 'SAIFI, interruptions a year',
    unit: 'factor',
  }),
  minutesPerYear: field(reliabilitySchema.shape.minutesPerYear.nullable(), {
    label: 'SAIDI, minutes a year',
    unit: 'count',
  }),
};

/** The record of past outages, and what share of them the brief would cover. */
@Component({
  selector: 'lv-outages-card',
  imports: [Button, ChartView, FormField, PasteRows],
  templateUrl: './outages-card.html',
  styleUrl: './cards.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutagesCard {
  protected readonly edits = inject(UsageEdits);
  private readonly appearance = inject(Appearance);
  readonly plan = input.required<Plan>();

  protected readonly pasting = signal(false);
  protected readonly message = signal('');
  protected readonly form = formOf<Usage>(
    usageSchema.shape,
    computed(() => this.plan().usage),
    (change) => this.edits.set('years of the list', change),
  );
  protected readonly reliability = formOf<Indices>(
    indices,
    computed(() => this.plan().usage.reliability ?? noIndices),
    (change) => this.setReliability(change),
  );
  private readonly zone = computed(() => houseZone(this.plan().site));
  protected readonly runtimeH = computed(() => settingsOf(this.plan()).requiredRuntimeH);
  protected readonly rows = computed(() =>
    this.plan()
      .usage.outages.toReversed()
      .map((outage) => ({
        outage,
        start: houseClock(outage.start, this.zone()).replace('T', ' '),
        length: lengthText(outage.durationS),
        flicker: outage.durationS <= momentaryS,
      })),
  );
  protected readonly facts = computed(() => {
    const { outages, outageYears } = this.plan().usage;
    const facts = outageFacts(outages, outageYears, this.runtimeH().value);
    return (
      facts && {
        years: facts.years.toFixed(1),
        perYear: facts.perYear.toFixed(1),
        split: `${facts.flickers} up to 5 min, ${facts.sustained} longer`,
        median: lengthText(facts.medianS),
        ninetieth: lengthText(facts.ninetiethS),
        longest: lengthText(facts.longestS),
        covered: percent(facts.coveredShare),
        coveredHours: percent(facts.coveredHoursShare),
        hours: facts.hoursPerYear.toFixed(1),
        flickerTrouble: facts.flickers > facts.sustained,
      }
    );
  });
  protected readonly runtimeText = computed(
    () => `${this.runtimeH().value} h${this.runtimeH().assumed ? ' (assumed)' : ''}`,
  );
  protected readonly indices = computed(() => {
    const { reliability } = this.plan().usage;
    const facts = reliability && reliabilityFacts(reliability, this.runtimeH().value);
    return facts && { mean: lengthText(facts.meanH * 3600), covered: percent(facts.coveredShare) };
  });
  protected readonly readRows = (cells: string[][]) =>
    readOutages(cells, this.plan().site.units === 'metric', this.zone(), () => crypto.randomUUID());
  protected readonly options = computed((): ChartOptions => {
    const ink = chartInk(this.appearance.dark());
    const long = this.plan()
      .usage.outages.filter(({ durationS }) => durationS > momentaryS)
      .toSorted((a, b) => a.durationS - b.durationS);
    const runtime = this.runtimeH().value;
    return {
      ...chartBase(ink),
      tooltip: {
        ...pointerText(ink),
        trigger: 'axis',
        valueFormatter: (value) => `${Number(value).toFixed(1)} h`,
      },
      xAxis: {
        type: 'category',
        data: long.map(({ start }) => houseClock(start, this.zone()).slice(0, 10)),
        axisLabel: { ...axisText(ink), rotate: 40 },
        axisTick: { show: false },
      },
      yAxis: {
        type: 'log',
        min: 0.1,
        axisLabel: { ...axisText(ink), formatter: (value: number) => `${value} h` },
        splitLine: { lineStyle: { color: ink.rule } },
      },
      series: [
        {
          type: 'bar',
          name: 'Length',
          data: long.map(({ durationS }) => durationS / 3600),
          itemStyle: { color: ink.ink },
          markLine: {
            symbol: 'none',
            lineStyle: { color: ink.accent },
            label: { formatter: 'required runtime', color: ink.accent, position: 'insideStartTop' },
            data: [{ yAxis: runtime }],
          },
        },
      ],
    };
  });

  protected add(start: string, length: string): boolean {
    const durationS = readLengthS(length);
    const moment = start === '' ? '' : instantOf(start.slice(0, 16), this.zone());
    const checked = outageSchema.safeParse({ id: crypto.randomUUID(), start: moment ?? '', durationS });
    if (start === '') this.message.set('Enter when it began');
    else if (moment === null) this.message.set(neverShown);
    else if (typeof durationS === 'string') this.message.set(durationS);
    else if (!checked.success) this.message.set(checked.error.issues[0]!.message);
    else {
      this.message.set('');
      this.edits.addOutages([checked.data]);
      return true;
    }
    return false;
  }

  protected take(outages: Outage[]): void {
    this.edits.addOutages(outages);
    this.pasting.set(false);
  }

  private setReliability(change: Partial<Indices>): void {
    const { interruptionsPerYear = 1, minutesPerYear = 120 } = {
      ...this.plan().usage.reliability,
      ...change,
    };
    this.edits.set('reliability', {
      reliability:
        interruptionsPerYear === null || minutesPerYear === null
          ? null
          : { interruptionsPerYear, minutesPerYear },
    });
  }
}
