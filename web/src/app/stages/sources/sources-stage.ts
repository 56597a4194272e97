import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  signal,
} from '@angular/core';
import { nameList, quantityText } from '@levamen/core/base';
import { assumedRatings, type StackPart } from '@levamen/core/equipment';
import { chooseFor, chosenFor, takeMeasured } from '@levamen/core/design';
import type { JudgedStack, Margin } from '@levamen/core/study';
import { Button } from 'primeng/button';
import { EvaluationService } from '../../data/evaluation';
import { IslandChoice } from '../../power/island-choice';
import { injectFindings } from '../../data/findings';
import { JobSession } from '../../data/job-session';
import { Runtimes } from '../../data/runtimes';
import { DemandViews } from '../../ui/demand-views';
import { FigureButton } from '../../ui/figure-button';
import { moneyText } from '../../ui/money-text';
import { FindingsList } from '../../ui/findings-list';
import { Quantity } from '../../ui/quantity';
import { VerdictMark } from '../../ui/verdict-mark';
import { NothingYet } from '../nothing-yet';
import { CostCard } from './cost-card';
import { FailingStacks } from './failing-stacks';
import { ExistingCard } from './existing-card';
import { LearnedBatteryOffer } from './learned-battery-offer';
import { ListCard } from './list-card';
import { StackEditor } from './stack-editor';
import type { StackRow } from './stack-row';

/** What is asked, which stacks meet it, which nearly do, and what they lack. */
@Component({
  selector: 'lv-sources-stage',
  imports: [
    Button,
    CostCard,
    DemandViews,
    ExistingCard,
    FailingStacks,
    FigureButton,
    FindingsList,
    IslandChoice,
    LearnedBatteryOffer,
    ListCard,
    NothingYet,
    Quantity,
    StackEditor,
    VerdictMark,
  ],
  templateUrl: './sources-stage.html',
  styleUrl: './sources-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SourcesStage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);

  protected readonly plan = this.session.plan;
  protected readonly evaluation = this.evaluations.evaluation;
  protected readonly catalogue = this.evaluations.catalogue;
  protected readonly units = this.evaluations.units;
  /** Units of the stack in use whose data sheets are silent on something, and on what. */
  protected readonly notStated = computed(() => {
    const stack = this.evaluation()?.selected?.stack;
    const units = stack ? [stack.inverter, ...stack.batteries.map(({ unit }) => unit)] : [];
    return [...new Set(units)]
      .filter(({ assumed }) => assumed.length > 0)
      .map((unit) => ({
        name: unit.name,
        ratings: nameList(assumedRatings(unit).map(({ label }) => label.toLowerCase())),
      }));
  });
  protected readonly allMeeting = signal(false);
  protected readonly allSmaller = signal(false);
  protected readonly editing = signal(false);

  private readonly selectedName = computed(() => this.evaluation()?.selected?.stack.name ?? '');
  // Rows are worked out as they are shown: a hundred stacks have a hundred prices.
  private readonly meeting = computed(() => this.evaluation()?.meeting ?? []);
  private readonly failing = computed(() => this.evaluation()?.smaller ?? []);
  protected readonly meetingCount = computed(() => this.meeting().length);
  protected readonly smallerCount = computed(() => this.failing().length);
  protected readonly fewest = 6;
  protected readonly listed = computed(() =>
    this.rows(this.allMeeting() ? this.meeting() : this.meeting().slice(0, this.fewest)),
  );
  protected readonly nearly = computed(() => this.rows(this.evaluation()?.nearly ?? []));
  protected readonly smaller = computed(() => (this.allSmaller() ? this.rows(this.failing()) : []));
  protected readonly isPriced = computed(() => this.evaluations.book() !== null);
  protected readonly findings = injectFindings();
  protected readonly hasLoads = computed(() => (this.evaluation()?.context.backupSet.length ?? 0) > 0);
  /** The stack the user chose for the island that is looked at. */
  protected readonly chosen = computed(() => {
    const plan = this.plan();
    const island = this.evaluations.island();
    return plan && island ? chosenFor(plan, island) : null;
  });
  /** What was measured of it and counts instead of its data sheets; '' = nothing. */
  protected readonly measured = computed(() => {
    const measured = this.evaluation()?.selected?.stack.measured?.values;
    if (!measured) return '';
    const { usableTimes, standbyW, at } = measured;
    const takes = standbyW === null ? '' : `, takes ${quantityText(standbyW, 'W')} itself`;
    return `Measured in an outage: holds ${quantityText(usableTimes, 'share')} of what its data sheets say${takes} (taken in on ${at.slice(0, 10)}).`;
  });
  protected readonly parts = computed(() => this.chosen() ?? this.evaluation()?.selected?.stack.parts ?? []);
  protected readonly start = computed(() => {
    const margin = this.evaluation()?.margins.find(({ key }) => key === 'starting');
    return margin && margin.verdict !== 'unknown' ? margin.demand : null;
  });
  protected readonly running = computed(() => {
    const margin = this.evaluation()?.margins.find(({ key }) => key === 'continuous');
    return margin && margin.verdict !== 'unknown' ? margin.demand : null;
  });

  constructor() {
    const runtimes = inject(Runtimes);
    effect(() => {
      const shown = [...this.listed(), ...this.nearly(), ...this.smaller()];
      runtimes.looked.set(shown.map(({ name }) => name));
    });
    inject(DestroyRef).onDestroy(() => runtimes.looked.set([]));
  }

  protected choose(parts: readonly StackPart[]): void {
    const island = this.evaluations.island();
    if (!island) return;
    this.session.edit('stack', (plan) => chooseFor(plan, island, parts));
  }

  protected showSmaller({ target }: Event): void {
    this.allSmaller.set((target as HTMLDetailsElement).open);
  }

  protected byDataSheets(): void {
    const island = this.evaluations.island();
    if (island) this.session.edit('by data sheets again', (plan) => takeMeasured(plan, island.id, null));
  }

  protected backToSuggestion(): void {
    this.editing.set(false);
    const island = this.evaluations.island();
    if (island) this.session.edit('back to the suggestion', (plan) => chooseFor(plan, island, null));
  }

  private rows(stacks: readonly JudgedStack[]): StackRow[] {
    const suggested = this.evaluation()?.suggested?.stack.name;
    return stacks.map((judged) => ({
      judged,
      name: judged.stack.name,
      selected: judged.stack.name === this.selectedName(),
      suggested: judged.stack.name === suggested,
      runtime: this.runtimeOf(judged),
      price: this.priceOf(judged),
      lacks: this.lacksOf(judged),
    }));
  }

  private priceOf({ stack }: JudgedStack): string {
    const plan = this.session.studied();
    const priceOf = this.evaluations.pricer();
    const island = this.evaluations.island();
    if (!plan || !priceOf || !island) return '';
    const { gross, missing, currency, estimatedWire } = priceOf(plan, island, stack);
    const about = estimatedWire === null ? '' : '≈ ';
    return `${about}${moneyText(gross, currency)}${missing.length > 0 ? ' +' : ''}`;
  }

  private runtimeOf({ margins }: JudgedStack): string {
    const runtime = margins.find(({ key }) => key === 'runtime');
    if (!runtime || runtime.verdict === 'unknown') return '–';
    const { rough, limit, limitAtLeast } = runtime;
    return `${rough ? '≈ ' : limitAtLeast ? '≥ ' : ''}${quantityText(limit.value, 'h', this.units())}`;
  }

  /** What a stack lacks; a rough runtime says at most that it falls short, and only where simulation has said so. */
  private lacksOf({ lacks, simulated, stack }: JudgedStack): string {
    const known = lacks.filter(({ rough }) => !rough).map((margin) => this.lack(margin));
    const short = !simulated && (this.evaluation()?.isShort(stack) ?? false);
    if (short) known.unshift('runtime falls short in simulation');
    else if (known.length === 0 && lacks.length > 0) known.push('runtime, not simulated yet');
    return known.join('; ');
  }

  /** "runtime 22 h of 24 h" */
  private lack({ label, demand, limit, key, culprit, cutShortShare, ratio }: Margin): string {
    // Where an overload cuts too many outages short, the quantile may well be below the limit.
    if (cutShortShare !== null && cutShortShare > 0 && demand.value <= limit.value && ratio > 1)
      return culprit;
    const units = this.units();
    const [has, needs] = key === 'runtime' ? [limit, demand] : [demand, limit];
    const text = `${quantityText(has.value, has.unit, units)} of ${quantityText(needs.value, needs.unit, units)}`;
    return `${label.toLowerCase()} ${text}`;
  }
}
