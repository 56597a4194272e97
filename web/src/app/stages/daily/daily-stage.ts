import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { quantityText } from '@levamen/core/base';
import type { Strategy } from '@levamen/core/design';
import { moneyDifference } from '@levamen/core/offer';
import { type DailySums, type DailyVariant, totalOfMonth } from '@levamen/core/study/details';
import { Appearance } from '../../data/appearance';
import { DailyStudies } from '../../data/daily-studies';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { MeasuredYearOfJob } from '../../data/measured-year';
import { MeterData } from '../../data/meter-data';
import { ChartView } from '../../ui/chart';
import { type Choice, ChoiceField } from '../../ui/choice-field';
import { chartInk } from '../../ui/chart-ink';
import { FigureTable } from '../../ui/figure-table';
import { moneyText } from '../../ui/money-text';
import { NothingYet } from '../nothing-yet';
import { monthNames } from '../../ui/month-names';
import { dayChart, monthsChart } from './daily-charts';
import { DailyState } from './daily-state';
import { RulesCard } from './rules-card';
import { batteryWear } from './battery-wear';

const percent = (share: number): string =>
  `${(share * 100).toFixed(share < 0.995 && share > 0.0005 ? 1 : 0)} %`;
const strategyLabels = {
  'kept-full': 'Kept full',
  'own-solar': 'Stores the own sun',
  prices: 'Follows prices',
} as const;

/** A year with the grid there: what the battery does day by day, and what it saves. */
@Component({
  selector: 'lv-daily-stage',
  imports: [ChartView, ChoiceField, FigureTable, NothingYet, RouterLink, RulesCard],
  providers: [DailyStudies, DailyState, MeasuredYearOfJob, MeterData],
  templateUrl: './daily-stage.html',
  styleUrl: './daily-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DailyStage {
  protected readonly state = inject(DailyState);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly appearance = inject(Appearance);

  protected readonly plan = this.session.plan;
  private readonly units = this.evaluations.units;
  private readonly ink = computed(() => chartInk(this.appearance.dark()));
  protected readonly monthHeads = [
    'Month',
    'Loads',
    'Sun',
    'Bought as it is',
    'with the design',
    'Sent out',
    'Bill as it is',
    'with the design',
  ];
  protected readonly bandHeads = [
    'Band',
    'Bought as it is',
    'with the design',
    'Sent out as it is',
    'with the design',
  ];
  protected readonly strategyHeads = ['The battery', 'gives', 'Bought', 'Own use', 'Self-suff.', 'Bill'];
  protected readonly facingHeads = ['Facing', 'All sun', 'Hours covered', 'Own use', 'Self-suff.', 'Bill'];
  protected readonly month = signal(0);
  protected readonly monthChoices: Choice<number>[] = monthNames.map((label, value) => ({ value, label }));

  private readonly result = computed(() => this.state.year().value?.fresh ?? null);
  private readonly before = computed(() => this.result()?.cases[0] ?? null);
  protected readonly design = computed(() => this.result()?.cases.at(-1) ?? null);
  private readonly energy = (wh: number): string => quantityText(wh, 'Wh', this.units());

  /** The sentence the stage is for. */
  protected readonly answer = computed(() => {
    const totals = this.state.totals();
    if (!totals) return '';
    const { before, after, currency } = totals;
    const saved = moneyDifference(after, before);
    const amount = moneyText(saved.replace('-', ''), currency);
    return `A year of electricity comes to ${moneyText(after, currency)} with this design instead of ${moneyText(before, currency)}: ${amount} ${saved.startsWith('-') ? 'more' : 'saved'}.`;
  });
  protected readonly payback = computed(() => {
    const worth = this.state.worth();
    const price = this.state.price();
    const totals = this.state.totals();
    if (!totals) return 'Say in Usage, Tariffs what the utility charges, and the bill stands here.';
    if (!price) return 'Nothing is priced yet: what it pays back in is not known.';
    if (!worth)
      return `Prices are in ${price.currency} and the tariff in ${totals.currency}: say the rate, and they are compared.`;
    const years = this.state.settings()!.years.value;
    const back =
      worth.paidBackInYear === null
        ? `It does not pay back within ${years} years`
        : `It is paid back in year ${worth.paidBackInYear}`;
    const missing = price.missing.length > 0 ? ` Not in the price: ${price.missing.join(', ')}.` : '';
    return `${back}; ${years} years are worth ${moneyText(worth.netPresent, price.currency)} at what money is worth today, ${moneyText(price.afterIncentives, price.currency)} paid. Hours without the grid are not counted.${missing}`;
  });
  protected readonly notes = computed(() => {
    const result = this.result();
    if (!result) return [];
    const { billScales } = result;
    const range =
      billScales && [Math.min(...billScales), Math.max(...billScales)].map((scale) => scale.toFixed(2));
    const { measuredShare, intervalMin } = result;
    return [
      measuredShare !== null
        ? `The house as its meter measured it, every ${intervalMin} minutes; ${percent(measuredShare)} of the year is covered, the rest is the load list stretched alike. Sun that was not measured is that of the arrays which are there.`
        : range
          ? `The load list in its hours, stretched month by month to the bills (× ${range[0]} to ${range[1]}).`
          : 'The load list as it stands: there are no bills.',
      ...(result.lacksPrices
        ? ['It should follow prices, and its meter has no tariff: it stores the own sun instead.']
        : []),
      ...result.holidaysUnknown.map(
        (name) => `${name}: no place of these public holidays is known; they count as any day.`,
      ),
      ...(result.usableWh === 0 ? ['No stack is in use: this is the house without a battery.'] : []),
    ];
  });
  protected readonly facts = computed(() => {
    const result = this.result();
    const before = this.before();
    const design = this.design();
    if (!result || !before || !design) return [];
    const fact = (label: string, of: (sums: DailySums) => string, why: string) => ({
      label,
      before: of(before.sums),
      design: of(design.sums),
      why,
    });
    return [
      fact('Bought', ({ importWh }) => this.energy(importWh), 'from the grid in a year'),
      fact('Sent out', ({ exportWh }) => this.energy(exportWh), 'to the grid in a year'),
      fact(
        'Own use',
        ({ selfUse }) => (selfUse === null ? '–' : percent(selfUse)),
        'of the sun, not sent out; what storing loses is in it',
      ),
      fact(
        'Self-sufficiency',
        ({ selfSufficiency }) => percent(selfSufficiency),
        '1 − bought ÷ taken by the loads',
      ),
      fact('Highest hour', ({ peakW }) => quantityText(peakW, 'W', this.units()), 'mean power from the grid'),
      fact('Out of the battery', ({ givenWh }) => this.energy(givenWh), 'AC, to house and grid'),
      fact(
        'Lost and stand-by',
        ({ lostWh, standbyWh }) => this.energy(lostWh + standbyWh),
        'charging, discharging, conversion; the inverters’ own use',
      ),
    ];
  });
  protected readonly wear = computed(() => {
    const result = this.result();
    const design = this.design();
    return result && design
      ? batteryWear(design.sums.drawnWh, result.nameplateWh, this.evaluations.items(), this.stackParts())
      : '';
  });
  private readonly stackParts = computed(() => this.evaluations.evaluation()?.selected?.stack.parts ?? []);

  protected readonly monthRows = computed(() => {
    const before = this.before();
    const design = this.design();
    const currency = this.state.totals()?.currency;
    if (!before || !design) return [];
    return monthNames.map((name, index) => {
      const money = (of: typeof before): string => {
        const total = totalOfMonth(of, index);
        return total !== null && currency ? moneyText(total, currency) : '–';
      };
      return {
        name,
        cells: [
          this.energy(before.months[index]!.loadWh),
          this.energy(design.months[index]!.sunWh),
          this.energy(before.months[index]!.importWh),
          this.energy(design.months[index]!.importWh),
          this.energy(design.months[index]!.exportWh),
          money(before),
          money(design),
        ],
      };
    });
  });
  /** The bill of the month that is looked at, line by line, with the design. */
  protected readonly lines = computed(() => {
    const design = this.design();
    return (design?.meters ?? []).map(({ meter, bill }) => {
      const of = bill?.months.find(({ month }) => month === this.month() + 1);
      return {
        meter,
        total: of && bill ? moneyText(of.total, bill.currency) : '',
        lines: (of?.lines ?? []).map((line) => ({
          ...line,
          amount: bill ? moneyText(line.amount, bill.currency) : line.amount,
        })),
      };
    });
  });
  protected readonly monthName = computed(() => monthNames[this.month()]!);
  protected readonly bands = computed(() => {
    const before = this.before();
    const design = this.design();
    if (!before || !design) return [];
    return design.meters.flatMap(({ meter, bands }, m) =>
      bands.map(({ band, importWh, exportWh }, b) => ({
        name: design.meters.length > 1 ? `${meter}: ${band}` : band,
        cells: [
          this.energy(before.meters[m]!.bands[b]!.importWh),
          this.energy(importWh),
          this.energy(before.meters[m]!.bands[b]!.exportWh),
          this.energy(exportWh),
        ],
      })),
    );
  });
  protected readonly strategies = computed(() =>
    (this.state.beside().value?.strategies ?? []).map(({ strategy, variant }) => ({
      name: `${strategyLabels[strategy]}${this.isNow(strategy) ? ' (now)' : ''}`,
      isMarked: this.isNow(strategy),
      cells: this.variantCells(variant).slice(0, 5),
    })),
  );
  protected readonly facings = computed(() =>
    (this.state.beside().value?.facings ?? []).map(({ facing, variant }) => ({
      name: `${facing[0]!.toUpperCase()}${facing.slice(1)}`,
      cells: [
        this.energy(variant.sums.sunWh),
        `${Math.round(variant.coveredH)} h`,
        ...this.variantCells(variant).slice(2, 5),
      ],
    })),
  );
  protected readonly monthsOptions = computed(() => {
    const before = this.before();
    const design = this.design();
    return before && design ? monthsChart(before, design, this.ink()) : null;
  });
  protected readonly dayOptions = computed(() => {
    const design = this.design();
    return design ? dayChart(design, this.month(), this.ink()) : null;
  });

  private isNow(strategy: Strategy): boolean {
    return strategy === this.state.settings()?.strategy.value;
  }

  private variantCells({ sums, billed }: DailyVariant): string[] {
    return [
      this.energy(sums.givenWh),
      this.energy(sums.importWh),
      sums.selfUse === null ? '–' : percent(sums.selfUse),
      percent(sums.selfSufficiency),
      billed ? moneyText(billed.amount, billed.currency) : '–',
    ];
  }
}
