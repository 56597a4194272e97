import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { quantityText } from '@levamen/core/base';
import { chooseFor, settingsOf } from '@levamen/core/design';
import { copyDesign, maxDesigns, planOf, renameDesign, withPlan } from '@levamen/core/job';
import { moneyDifference, type StackCandidate } from '@levamen/core/offer';
import { Button } from 'primeng/button';
import { Appearance } from '../../data/appearance';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk } from '../../ui/chart-ink';
import { moneyText } from '../../ui/money-text';
import { NothingYet } from '../nothing-yet';
import { OptionSearch } from './option-search';

interface Line {
  readonly name: string;
  readonly candidate: StackCandidate;
  /** Price, or kilowatt-hours where nothing is priced. */
  readonly cost: string;
  readonly hours: string;
  readonly chance: string;
  /** What the step from the one before buys. */
  readonly step: string;
  readonly isEnough: boolean;
  readonly isInUse: boolean;
}

/** Most hours for the money: the stacks of the list that last longer than everything that costs no more. */
@Component({
  selector: 'lv-options-stage',
  imports: [Button, ChartView, NothingYet],
  providers: [OptionSearch],
  templateUrl: './options-stage.html',
  styleUrl: './options-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OptionsStage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly router = inject(Router);
  private readonly appearance = inject(Appearance);
  protected readonly search = inject(OptionSearch);

  private readonly units = this.evaluations.units;
  protected readonly refusal = signal('');
  protected readonly hasLoads = computed(() => (this.evaluations.rough()?.context.backupSet.length ?? 0) > 0);
  protected readonly isPriced = computed(() => this.evaluations.book() !== null);
  protected readonly requiredH = computed(() => {
    const plan = this.session.studied();
    return plan ? settingsOf(plan).requiredRuntimeH.value : 0;
  });
  protected readonly required = computed(() => quantityText(this.requiredH(), 'h', this.units()));
  protected readonly progress = computed(() => {
    const state = this.search.state();
    if (!state) return '';
    const { simulated, pruned } = state.front;
    const done = `${simulated} of ${state.total} stacks simulated, ${pruned} passed over since they cannot be on the front`;
    if (state.stopped) return 'Stopped. ';
    return state.left > 0 ? `${done}; ${state.left} left` : `${done}.`;
  });
  protected readonly isSearching = computed(() => {
    const state = this.search.state();
    return state !== null && !state.stopped && state.left > 0;
  });
  protected readonly lines = computed((): Line[] => {
    const state = this.search.state();
    const inUse = this.evaluations.evaluation()?.selected?.stack.name;
    const points = state?.front.points ?? [];
    return points.map(({ candidate, lasts }, index): Line => {
      const { stack, price, cost } = candidate;
      const { nineteenOfTwentyH, followedH, requiredShare } = lasts.outlook;
      const before = points[index - 1];
      const more = before ? nineteenOfTwentyH - before.lasts.hoursH : 0;
      const dearer = before ? moneyDifference(before.candidate.cost, cost) : '0';
      return {
        name: stack.name,
        candidate,
        cost: price
          ? `${moneyText(price.afterIncentives, price.currency)}${price.missing.length > 0 ? ' +' : ''}`
          : quantityText(stack.nameplateWh, 'Wh', this.units()),
        hours: `${nineteenOfTwentyH >= followedH ? '≥ ' : ''}${quantityText(nineteenOfTwentyH, 'h', this.units())}`,
        chance: `${(requiredShare * 100).toFixed(1)} %`,
        step: before
          ? this.stepText(more, dearer, price?.currency ?? null)
          : 'the cheapest that carries the power',
        isEnough: nineteenOfTwentyH >= this.requiredH(),
        isInUse: stack.name === inUse,
      };
    });
  });
  /** The cheapest that is enough, and what the next cheaper one lacks. */
  protected readonly answer = computed(() => {
    const lines = this.lines();
    const index = lines.findIndex(({ isEnough }) => isEnough);
    const enough = lines[index];
    if (!enough)
      return this.isSearching() ? '' : `No stack of the list lasts ${this.required()} in 19 of 20 outages.`;
    const cheaper = lines[index - 1];
    const why = cheaper ? ` The next cheaper on the front, ${cheaper.name}, lasts ${cheaper.hours}.` : '';
    return `${enough.name} is the cheapest that lasts ${this.required()}: ${enough.cost}, ${enough.hours}.${why}`;
  });
  protected readonly ruledOut = computed(() =>
    (this.search.state()?.ruledOut ?? []).map(({ stack, because }) => ({
      name: stack.name,
      why: `${because.label.toLowerCase()} ${because.verdict === 'unknown' ? 'not yet known' : 'fails'}: ${because.culprit}`,
    })),
  );
  protected readonly isFull = computed(() => (this.session.job()?.designs.length ?? 0) >= maxDesigns);
  protected readonly says = computed(
    () =>
      `Hours that 19 of 20 outages reach against ${this.isPriced() ? 'price' : 'nameplate energy'}: ${this.lines()
        .map(({ cost, hours }) => `${cost}, ${hours}`)
        .join('; ')}`,
  );
  protected readonly options = computed((): ChartOptions => {
    const ink = chartInk(this.appearance.dark());
    const points = this.search.state()?.front.points ?? [];
    const data = points.map(({ candidate, lasts }) => [Number(candidate.cost), lasts.hoursH]);
    return {
      ...chartBase(ink),
      grid: { left: 8, right: 24, top: 28, bottom: 24, containLabel: true },
      xAxis: {
        type: 'value',
        scale: true,
        name: this.isPriced() ? 'price' : 'kWh',
        nameLocation: 'middle',
        nameGap: 26,
        axisLabel: axisText(ink),
      },
      yAxis: { type: 'value', min: 0, name: 'h', axisLabel: axisText(ink) },
      series: [
        {
          type: 'line',
          step: 'end',
          symbol: 'rect',
          symbolSize: 8,
          itemStyle: { color: ink.accent },
          lineStyle: { color: ink.accent, width: 2 },
          data,
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: ink.ink, type: 'dashed' },
            label: { formatter: 'required', color: ink.ink, position: 'insideStartTop' },
            data: [{ yAxis: this.requiredH() }],
          },
        },
      ],
    };
  });

  /** Uses it in the design that is looked at. */
  protected use({ stack }: StackCandidate): void {
    const island = this.evaluations.rough()?.island;
    if (island) this.session.edit(`use ${stack.name}`, (plan) => chooseFor(plan, island, stack.parts));
  }

  /** Makes a design of it beside the one that is looked at. */
  protected take({ stack }: StackCandidate): void {
    const island = this.evaluations.rough()?.island;
    if (!island) return;
    const from = this.session.designId();
    const id = crypto.randomUUID();
    this.refusal.set(
      this.session.editJob(`design with ${stack.name}`, (job) => {
        const named = renameDesign(copyDesign(job, from, id), id, stack.name.slice(0, 80));
        return withPlan(named, chooseFor(planOf(named, id), island, stack.parts), id);
      }),
    );
    void this.router.navigate(['/jobs', this.session.id(), 'designs']);
  }

  private stepText(more: number, dearer: string, currency: string | null): string {
    const hours = quantityText(more, 'h', this.units());
    if (currency === null)
      return `+ ${hours} for ${quantityText(Number(dearer) * 1000, 'Wh', this.units())} more`;
    const each = (more / Number(dearer)) * 1000;
    return `+ ${hours} for ${moneyText(dearer, currency)} more: ${quantityText(each, 'h', this.units())} for each 1,000`;
  }
}
