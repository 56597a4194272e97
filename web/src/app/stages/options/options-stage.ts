import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { quantityText } from '@levamen/core/base';
import { briefSchema, chooseFor, islandOf, type Brief, type Plan, settingsOf } from '@levamen/core/design';
import { copyDesign, maxDesigns, planOf, renameDesign, withPlan } from '@levamen/core/job';
import { moneyDifference } from '@levamen/core/offer';
import { designVariants } from '@levamen/core/offer/details';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { Appearance } from '../../data/appearance';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { ChartView } from '../../ui/chart';
import type { ChartOptions } from '../../ui/chart-engine';
import { axisText, chartBase, chartInk } from '../../ui/chart-ink';
import type { Choice } from '../../ui/choice-field';
import { formOf } from '../../ui/form';
import { FormField } from '../../ui/form-field';
import { moneyText } from '../../ui/money-text';
import { reachedText, shareText } from '../../ui/outlook-texts';
import { NothingYet } from '../nothing-yet';
import { causeWords } from '@levamen/core/study';
import { frontOfPoints, hoursOf, valueOf } from './front-of-points';
import { OptionSearch } from './option-search';
import type { Objective, OptionPoint } from './search-state';

interface Line {
  readonly point: OptionPoint;
  readonly name: string;
  readonly changes: string;
  /** Price, or kilowatt-hours where nothing is priced. */
  readonly cost: string;
  readonly hours: string;
  readonly chance: string;
  readonly comfort: string;
  /** What the step from the one before buys. */
  readonly step: string;
  /** What ends the hard ones of its outages. */
  readonly ends: string;
  readonly isEnough: boolean;
  readonly isInUse: boolean;
  /** Where the walk along the front stands. */
  readonly isWalked: boolean;
}

/** Most for the money: every variant of the design on every stack, and what each step up buys. */
@Component({
  selector: 'lv-options-stage',
  imports: [Button, ChartView, FormField, FormsModule, NothingYet, SelectButton],
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
  /** The point the keys have come to; null = nobody walks. */
  private readonly walkedTo = signal<number | null>(null);
  private readonly step = computed(() => {
    const to = this.walkedTo();
    return to === null ? null : Math.min(to, this.front().length - 1);
  });
  protected readonly walked = computed(() => {
    const step = this.step();
    const line = step === null ? undefined : this.lines()[step];
    return line
      ? `${step! + 1} of ${this.lines().length}: ${fullName(line)}, ${line.cost}, ${line.hours}, ${line.chance}. ${line.step}`
      : '';
  });
  protected readonly refusal = signal('');
  protected readonly objective = signal<Objective>('hours');
  protected readonly objectiveChoices: Choice<Objective>[] = [
    { value: 'hours', label: 'Hours' },
    { value: 'chance', label: 'Chance' },
    { value: 'comfort', label: 'Comfort' },
  ];
  protected readonly limits = formOf<Brief>(
    briefSchema.shape,
    computed(() => this.session.plan()!.brief),
    (change, label) => this.session.edit(label, (plan) => ({ ...plan, brief: { ...plan.brief, ...change } })),
  );
  protected readonly hasLoads = computed(() => (this.evaluations.rough()?.context.backupSet.length ?? 0) > 0);
  protected readonly isPriced = computed(() => this.evaluations.book() !== null);
  protected readonly currency = computed(() => this.evaluations.book()?.currency ?? '');
  protected readonly requiredH = computed(() => {
    const plan = this.session.studied();
    return plan ? settingsOf(plan).requiredRuntimeH.value : 0;
  });
  protected readonly required = computed(() => quantityText(this.requiredH(), 'h', this.units()));
  protected readonly progress = computed(() => {
    const state = this.search.state();
    if (!state) return '';
    const { simulated, pruned, total, variants, left, phase, frontMs } = state;
    if (state.stopped) return 'Stopped.';
    const done = `${total} candidates (${variants} variants of the design on the stacks that carry them): ${simulated} simulated, ${pruned} passed over since they can lie on no front`;
    if (phase === 'candidates') return `${done}; more are being found.`;
    if (phase === 'front') return `${done}; ${left} left.`;
    const took = frontMs === null ? '' : ` in ${(frontMs / 1000).toFixed(1)} s`;
    if (phase === 'years') return `${done}${took}; the front is played over five years.`;
    const { comfort } = state;
    const searched = comfort ? ` For comfort ${comfort.simulated} were simulated` : ' Comfort is searched';
    if (phase === 'comfort') return `${done}${took}.${searched}${comfort ? `; ${comfort.left} left` : ''}.`;
    return `${done}${took}.${comfort ? `${searched}.` : ''}`;
  });
  protected readonly isSearching = computed(() => {
    const state = this.search.state();
    return state !== null && !state.stopped && state.phase !== 'done';
  });
  /** What lies on the front that is looked at. */
  private readonly front = computed(() => frontOfPoints(this.search.state()?.points ?? [], this.objective()));
  protected readonly lines = computed((): Line[] => {
    const inUse = this.evaluations.evaluation()?.selected?.stack.name;
    const front = this.front();
    return front.map((point, index): Line => {
      const { candidate, variant, outlook, comfort } = point;
      const followedH = outlook?.followedH ?? Infinity;
      const hoursH = hoursOf(point);
      const before = front[index - 1];
      return {
        point,
        name: candidate.name,
        changes: variant.changes.join('; '),
        cost: this.costText(candidate),
        hours: `${outlook ? '' : '≈ '}${reachedText(hoursH, followedH, this.units())}`,
        chance: `${outlook ? '' : '≈ '}${shareText(outlook?.requiredShare ?? point.chance)}`,
        comfort: comfort === null ? '…' : comfort === undefined ? '–' : shareText(comfort),
        step: before ? this.stepText(before, point) : 'the cheapest that carries the power',
        ends: outlook ? causeWords[outlook.hardEnding.cause] : '…',
        isEnough: hoursH >= this.requiredH(),
        isInUse: candidate.name === inUse && variant.key === '',
        isWalked: index === this.step(),
      };
    });
  });
  /** The cheapest that is enough, and what the next cheaper one lacks. */
  protected readonly answer = computed(() => {
    if (this.objective() !== 'hours') return '';
    const lines = this.lines();
    const index = lines.findIndex(({ isEnough }) => isEnough);
    const enough = lines[index];
    if (!enough)
      return this.isSearching() ? '' : `Nothing in the list lasts ${this.required()} in 19 of 20 outages.`;
    const cheaper = lines[index - 1];
    const why = cheaper
      ? ` The next cheaper on the front, ${fullName(cheaper)}, lasts ${cheaper.hours}: ${cheaper.ends}.`
      : '';
    return `${fullName(enough)} is the cheapest that lasts ${this.required()}: ${enough.cost}, ${enough.hours}.${why}`;
  });
  protected readonly notes = computed(() => {
    const state = this.search.state();
    if (!state) return [];
    return [
      ...(state.tooDear > 0 ? [`${state.tooDear} cost more than the brief allows, and were left out.`] : []),
      ...(state.unpriced.length > 0 ? [`Left out for want of a price: ${state.unpriced.join(', ')}.`] : []),
      ...(this.objective() === 'comfort' && this.isSearching()
        ? ['The front of comfort is searched last: until then only what lies on the others stands here.']
        : []),
    ];
  });
  protected readonly ruledOut = computed(() => this.search.state()?.ruledOut ?? []);
  protected readonly free = computed(() =>
    (this.search.state()?.free ?? []).map(({ label, outlook }) => ({
      label,
      hours: reachedText(outlook.nineteenOfTwentyH, outlook.followedH, this.units()),
      chance: shareText(outlook.requiredShare),
    })),
  );
  protected readonly isFull = computed(() => (this.session.job()?.designs.length ?? 0) >= maxDesigns);
  protected readonly says = computed(
    () =>
      `${this.axisName()} against ${this.isPriced() ? 'price' : 'nameplate energy'}: ${this.lines()
        .map(({ cost, hours, chance, comfort }) => `${cost}, ${{ hours, chance, comfort }[this.objective()]}`)
        .join('; ')}`,
  );
  private readonly axisName = computed(
    () =>
      ({
        hours: 'Hours that 19 of 20 outages reach',
        chance: 'Chance to get through',
        comfort: 'Comfort served',
      })[this.objective()],
  );
  protected readonly options = computed((): ChartOptions => {
    const ink = chartInk(this.appearance.dark());
    const objective = this.objective();
    const factor = objective === 'hours' ? 1 : 100;
    const step = this.step();
    const data = this.front().map((point, index) => ({
      value: [point.candidate.cost, valueOf(point, objective) * factor],
      symbolSize: index === step ? 16 : 8,
    }));
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
      yAxis: { type: 'value', min: 0, name: objective === 'hours' ? 'h' : '%', axisLabel: axisText(ink) },
      series: [
        {
          type: 'line',
          step: 'end',
          symbol: 'rect',
          itemStyle: { color: ink.accent },
          lineStyle: { color: ink.accent, width: 2 },
          data,
          ...(objective === 'hours'
            ? {
                markLine: {
                  silent: true,
                  symbol: 'none',
                  lineStyle: { color: ink.ink, type: 'dashed' as const },
                  label: { formatter: 'required', color: ink.ink, position: 'insideStartTop' as const },
                  data: [{ yAxis: this.requiredH() }],
                },
              }
            : {}),
        },
      ],
    };
  });

  /** Arrows, Home and End walk along the front; Enter makes a design of the point. */
  protected walk(event: KeyboardEvent): void {
    const last = this.lines().length - 1;
    const now = this.step() ?? -1;
    const to = { ArrowRight: now + 1, ArrowLeft: now - 1, Home: 0, End: last }[event.key];
    if (to !== undefined) this.walkedTo.set(Math.max(0, Math.min(last, to)));
    else if (event.key === 'Enter' && now >= 0 && !this.isFull()) this.take(this.lines()[now]!.point);
    else return;
    event.preventDefault();
  }

  /** Uses it in the design that is looked at. */
  protected use(point: OptionPoint): void {
    this.session.edit(`use ${point.candidate.name}`, (plan) => this.taken(plan, point));
  }

  /** Makes a design of it beside the one that is looked at. */
  protected take(point: OptionPoint): void {
    const from = this.session.designId();
    const id = crypto.randomUUID();
    const name = [point.candidate.name, ...point.variant.changes].join('; ');
    this.refusal.set(
      this.session.editJob(`design with ${point.candidate.name}`, (job) => {
        const named = renameDesign(copyDesign(job, from, id), id, name.slice(0, 80));
        return withPlan(named, this.taken(planOf(named, id), point), id);
      }),
    );
    void this.router.navigate(['/jobs', this.session.id(), 'designs']);
  }

  /** The plan with what the point changes, made anew: the one that was searched lacks what no study reads. */
  private taken(plan: Plan, { candidate, variant }: OptionPoint): Plan {
    const islandId = this.evaluations.rough()?.island?.id ?? '';
    const island = islandOf(plan, islandId);
    if (!island) return plan;
    const changed = designVariants(plan, island).find(({ key }) => key === variant.key)?.plan ?? plan;
    return chooseFor(changed, island, candidate.parts);
  }

  private costText({ price, cost, missing }: OptionPoint['candidate']): string {
    if (price === null) return quantityText(cost * 1000, 'Wh', this.units());
    return `${moneyText(price, this.currency())}${missing.length > 0 ? ' +' : ''}`;
  }

  private stepText(before: OptionPoint, point: OptionPoint): string {
    const objective = this.objective();
    const more = valueOf(point, objective) - valueOf(before, objective);
    const gained =
      objective === 'hours' ? quantityText(more, 'h', this.units()) : `${(more * 100).toFixed(1)} points`;
    const [from, to] = [before.candidate.price, point.candidate.price];
    if (from === null || to === null) {
      const dearer = point.candidate.cost - before.candidate.cost;
      return `+ ${gained} for ${quantityText(dearer * 1000, 'Wh', this.units())} more`;
    }
    const dearer = moneyDifference(from, to);
    const each = (more / Number(dearer)) * 1000;
    const rate =
      objective === 'hours' ? quantityText(each, 'h', this.units()) : `${(each * 100).toFixed(1)} points`;
    return `+ ${gained} for ${moneyText(dearer, this.currency())} more: ${rate} for each 1,000`;
  }
}

const fullName = ({ name, changes }: Pick<Line, 'name' | 'changes'>): string =>
  changes === '' ? name : `${name} (${changes})`;
