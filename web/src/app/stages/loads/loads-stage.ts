import { type Presence, presences, withSoftStarts } from '@levamen/core/design';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { circuitLegSets, circuitsById } from '@levamen/core/house';
import { nameList } from '@levamen/core/base';
import { loadsFromCircuits } from '@levamen/core/house/details';
import { type LoadEffect, loadEffects } from '@levamen/core/study/details';
import { Button } from 'primeng/button';
import { auditTime, map } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { Focus } from '../../data/focus';
import { injectFindings } from '../../data/findings';
import { injectShifts } from '../../data/shifts';
import { JobSession } from '../../data/job-session';

import { FigureButton } from '../../ui/figure-button';
import { FindingsList } from '../../ui/findings-list';
import { AddLoadsDialog, type AddWay } from './add-loads-dialog';
import { DemandChart } from './demand-chart';
import { sameContext, type CellContext } from './load-columns';
import { LoadDetail } from './load-detail';
import { LearnedOffer } from './learned-offer';
import { LoadEdits } from './load-edits';
import { LoadsTable } from './loads-table';

const noEffects: ReadonlyMap<string, LoadEffect> = new Map();
const noLegend = { loads: [], unknown: [] };
const settleMs = 120;

/** The loads of the house: what each takes, what it asks for, and which stay on in an outage. */
@Component({
  selector: 'lv-loads-stage',
  imports: [
    AddLoadsDialog,
    Button,
    DemandChart,
    FigureButton,
    FindingsList,
    LearnedOffer,
    LoadDetail,
    LoadsTable,
  ],
  providers: [LoadEdits],
  templateUrl: './loads-stage.html',
  styleUrl: './loads-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadsStage {
  protected readonly edits = inject(LoadEdits);
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly focus = inject(Focus);
  private readonly asked = this.focus.of('loads');
  private readonly table = viewChild(LoadsTable);

  protected readonly plan = this.session.plan;
  protected readonly evaluation = this.evaluations.evaluation;
  protected readonly units = this.evaluations.units;
  protected readonly active = signal<string | null>(null);
  protected readonly adding = signal<AddWay | null>(null);
  protected readonly pastedText = signal('');

  protected readonly context = computed(
    (): CellContext | null => {
      const plan = this.plan();
      const evaluation = this.evaluation();
      return plan && evaluation
        ? {
            system: plan.supply.system,
            season: evaluation.settings.designSeason.value,
            survey: plan.survey,
            circuits: circuitsById(plan.survey),
            circuitLegs: circuitLegSets(plan),
          }
        : null;
    },
    { equal: sameContext },
  );
  protected readonly activeLoad = computed(
    () => this.plan()?.loads.find(({ id }) => id === this.active()) ?? null,
  );
  protected readonly presences = computed((): ReadonlyMap<string, Presence> => {
    const plan = this.plan();
    if (!plan) return new Map();
    const of = presences(plan);
    return new Map(plan.loads.map((load) => [load.id, of(load)]));
  });
  protected readonly summary = computed(() => {
    const evaluation = this.evaluation();
    const loads = this.plan()?.loads ?? [];
    if (!evaluation) return null;
    const runtime = evaluation.margins.find(({ key }) => key === 'runtime');
    const continuous = evaluation.margins.find(({ key }) => key === 'continuous');
    return {
      inSet: [...this.presences().values()].filter((one) => one === 'kept' || one === 'along').length,
      all: loads.length,
      day: evaluation.requirement.delivered.inputs['day'] ?? null,
      runtime: runtime && runtime.verdict !== 'unknown' ? runtime.limit : null,
      power: continuous && continuous.verdict !== 'unknown' ? continuous.demand : null,
      season: evaluation.settings.designSeason.value,
    };
  });
  private readonly shiftsH = injectShifts(
    computed(() => (this.plan()?.loads ?? []).map(({ id }) => ({ id, loadIds: [id] }))),
  );
  /** The loads as they start, with the soft starters of the design. */
  private readonly asStarted = computed(() => {
    const plan = this.plan();
    return plan ? withSoftStarts(plan).loads : [];
  });
  /** What each load costs follows a moment after the margins: two hundred rows must not hold them up. */
  protected readonly effects = toSignal(
    toObservable(computed(() => ({ evaluation: this.evaluation(), shiftsH: this.shiftsH() }))).pipe(
      auditTime(settleMs),
      map(({ evaluation, shiftsH }) =>
        evaluation
          ? loadEffects(evaluation.context, evaluation.selected, this.asStarted(), shiftsH)
          : noEffects,
      ),
    ),
    { initialValue: noEffects },
  );
  protected readonly findings = injectFindings();
  /** Circuits on which nothing hangs yet, and whose names tell what would. It follows a moment after the margins, too. */
  protected readonly ofLegend = toSignal(
    toObservable(this.plan).pipe(
      auditTime(settleMs),
      map((plan) => {
        const { loads, unknown } = plan ? loadsFromCircuits(plan, () => 'new') : noLegend;
        if (loads.length === 0) return null;
        const but = unknown.length > 0 ? `; nothing typical is known for ${nameList(unknown)}` : '';
        return {
          label: `From the legend (${loads.length})`,
          title: `A typical load for each circuit without one, by its name${but}`,
        };
      }),
    ),
    { initialValue: null },
  );

  constructor() {
    effect(() => {
      const wanted = this.asked();
      const table = this.table();
      if (wanted === null || !table) return;
      untracked(() => {
        table.focusLoad(wanted);
        this.focus.done();
      });
    });
  }

  protected addFromLegend(): void {
    const id = this.edits.addFromLegend();
    if (id !== null) this.focusSoon(id);
  }

  protected addBlank(): void {
    const id = this.edits.addBlank(this.active());
    if (id !== null) this.focusSoon(id);
  }

  protected onPasted(text: string): void {
    this.pastedText.set(text);
    this.adding.set('paste');
  }

  protected focusSoon(id: string): void {
    this.active.set(id);
    if (this.adding() !== 'library') this.focus.ask('loads', id);
  }
}
