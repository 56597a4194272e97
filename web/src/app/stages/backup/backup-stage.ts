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
import { FormsModule } from '@angular/forms';
import type { Finding } from '@levamen/core/base';
import type { Service } from '@levamen/core/house';
import { planRequirements } from '@levamen/core/checks';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../../data/evaluation';
import { Focus } from '../../data/focus';
import { injectFindings } from '../../data/findings';
import { JobSession } from '../../data/job-session';
import { DemandBandChart } from '../../power/demand-band-chart';
import { GapList } from '../../power/gap-list';
import { LegBars } from '../../power/leg-bars';
import { PartVerdicts } from '../../power/part-verdicts';
import { PickupChart } from '../../power/pickup-chart';
import { powerContextOf } from '../../power/power-context';
import { StartChart } from '../../power/start-chart';
import { TripList } from '../../power/trip-list';
import { IslandChoice } from '../../power/island-choice';
import type { Choice } from '../../ui/choice-field';
import { DemandViews } from '../../ui/demand-views';
import { FindingsList } from '../../ui/findings-list';
import { Bench, type Move } from './bench';
import { NothingYet } from '../nothing-yet';
import { BackupEdits } from './backup-edits';
import { BackupEffects } from './backup-effects';
import { BackupSearch } from './backup-search';
import { benchView } from './bench-view';
import { ItemDetail } from './item-detail';
import { MendingView } from './mending-view';
import { SuggestionView } from './suggestion-view';
import { WiringDetail } from './wiring-detail';

type Side = 'circuit' | 'wiring' | 'suggest' | 'mend' | 'power' | 'findings';

/** Which circuits stay on, which are shed, which stay dark; by what wiring; and whether the inverter holds them. */
@Component({
  selector: 'lv-backup-stage',
  imports: [
    IslandChoice,
    NothingYet,
    Bench,
    Button,
    DemandBandChart,
    DemandViews,
    FindingsList,
    FormsModule,
    GapList,
    ItemDetail,
    LegBars,
    MendingView,
    PartVerdicts,
    PickupChart,
    SelectButton,
    StartChart,
    SuggestionView,
    TripList,
    WiringDetail,
  ],
  providers: [BackupEdits, BackupEffects, BackupSearch],
  templateUrl: './backup-stage.html',
  styleUrl: './backup-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupStage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  protected readonly edits = inject(BackupEdits);
  private readonly besides = inject(BackupEffects);
  private readonly focus = inject(Focus);
  private readonly asked = this.focus.of('backup');
  private readonly bench = viewChild(Bench);

  protected readonly plan = this.session.plan;
  protected readonly units = this.evaluations.units;
  protected readonly evaluation = this.evaluations.evaluation;
  protected readonly island = this.evaluations.island;
  /** Services that belong to no island are not backed up; they can still be settled. */
  protected readonly services = computed((): readonly Service[] => {
    const plan = this.plan();
    if (!plan) return [];
    const backed = (this.evaluation()?.islands ?? []).flatMap(({ services }) => services);
    const dark = plan.survey.services.filter((service) => !backed.includes(service));
    return [...(this.island()?.services ?? []), ...dark];
  });
  protected readonly items = this.besides.items;
  protected readonly effects = this.besides.effects;
  protected readonly view = computed(() => {
    const plan = this.plan();
    return plan ? benchView(this.items(), this.effects(), plan.supply.system) : [];
  });
  protected readonly chosen = signal<readonly string[]>([]);
  protected readonly chosenItems = computed(() =>
    this.items().filter(({ id }) => this.chosen().includes(id)),
  );
  protected readonly message = signal('');
  protected readonly side = signal<Side>('circuit');
  protected readonly findings = injectFindings();
  private readonly requirements = computed((): ReadonlyMap<string, readonly Finding[]> => {
    const plan = this.plan();
    const evaluation = this.evaluation();
    return plan && evaluation ? planRequirements(plan, evaluation) : new Map<string, readonly Finding[]>();
  });
  private readonly open = computed(() => {
    const required = [...this.requirements().values()].flat();
    return required.filter(({ severity }) => severity === 'must-fix' || severity === 'stops').length;
  });
  protected readonly sides = computed((): Choice<Side>[] => [
    { label: 'Circuit', value: 'circuit' },
    { label: this.open() === 0 ? 'Services' : `Services\u00a0${this.open()}!`, value: 'wiring' },
    { label: 'Suggest', value: 'suggest' },
    { label: 'Mend', value: 'mend' },
    { label: 'Power', value: 'power' },
    { label: `Findings\u00a0${this.findings().length}`, value: 'findings' },
  ]);
  protected readonly season = computed(() => this.evaluation()?.settings.designSeason.value ?? 'winter');
  protected readonly power = computed(() => powerContextOf(this.evaluation()));
  protected readonly presentHolds = computed(() => this.evaluation()?.selected?.meets ?? false);
  protected readonly stackName = computed(() => this.evaluation()?.selected?.stack.name ?? 'the stack');

  constructor() {
    effect(() => {
      const wanted = this.asked();
      const bench = this.bench();
      if (wanted === null || !bench) return;
      untracked(() => {
        this.focus.done();
        this.side.set('circuit');
        bench.show(wanted);
      });
    });
  }

  protected move({ items, lane }: Move): void {
    this.message.set(this.edits.move(items, lane));
  }

  protected requirementsOf({ id }: Service) {
    return this.requirements().get(id) ?? [];
  }
}
