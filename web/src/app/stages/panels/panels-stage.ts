import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { circuitsById, type Panel } from '@levamen/core/house';
import { breakersIn } from '@levamen/core/house/details';
import { panelFindings } from '@levamen/core/checks';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../../data/evaluation';
import { Focus } from '../../data/focus';
import { JobSession } from '../../data/job-session';
import type { Choice } from '../../ui/choice-field';
import { FindingsList } from '../../ui/findings-list';
import { BreakerLadder } from './breaker-ladder';
import { chooseSpace, type ChosenSpace, followSpace } from './chosen-space';
import { CircuitDetail } from './circuit-detail';
import { ImportCircuitsDialog } from './import-circuits-dialog';
import { LegBalance } from './leg-balance';
import { PanelDetail } from './panel-detail';
import { PanelEdits } from './panel-edits';
import { panelTree } from './panel-tree';
import { SensorPlanView } from './sensor-plan-view';
import { ServiceDetail } from './service-detail';
import { UnplacedLoads } from './unplaced-loads';

type Side = 'circuit' | 'panel' | 'findings' | 'legs' | 'sensors';

/** Services, panels and circuits, as they are on the wall. */
@Component({
  selector: 'lv-panels-stage',
  imports: [
    BreakerLadder,
    Button,
    CircuitDetail,
    FindingsList,
    FormsModule,
    ImportCircuitsDialog,
    LegBalance,
    PanelDetail,
    SelectButton,
    SensorPlanView,
    ServiceDetail,
    UnplacedLoads,
  ],
  providers: [PanelEdits],
  templateUrl: './panels-stage.html',
  styleUrl: './panels-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PanelsStage {
  protected readonly edits = inject(PanelEdits);
  protected readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly focus = inject(Focus);
  private readonly asked = this.focus.of('panels');
  private readonly ladder = viewChild(BreakerLadder);

  protected readonly plan = this.session.plan;
  protected readonly units = this.evaluations.units;
  protected readonly evaluation = this.evaluations.evaluation;
  protected readonly tree = computed(() => panelTree(this.plan()?.survey ?? null));
  /** Id of the service or panel that is looked at. */
  protected readonly wanted = signal<string | null>(null);
  protected readonly service = computed(
    () => this.plan()?.survey.services.find(({ id }) => id === this.wanted()) ?? null,
  );
  protected readonly panel = computed((): Panel | null => {
    const panels = this.plan()?.survey.panels ?? [];
    return this.service() ? null : (panels.find(({ id }) => id === this.wanted()) ?? panels[0] ?? null);
  });
  protected readonly selected = computed(() => this.service()?.id ?? this.panel()?.id ?? '');
  /** What is chosen stays chosen through edits, undo and moves. */
  private readonly chosen = linkedSignal<Panel | null, ChosenSpace>({
    source: this.panel,
    computation: (panel, before) => followSpace(panel, before?.value),
  });
  protected readonly space = computed(() => this.chosen().space);
  protected readonly circuits = computed(() => {
    const panel = this.panel();
    return panel ? breakersIn(panel, this.space()) : [];
  });
  protected readonly side = signal<Side>('circuit');
  private readonly allFindings = computed(() => {
    const plan = this.plan();
    return plan ? panelFindings(plan) : [];
  });
  protected readonly findings = computed(() =>
    this.allFindings().filter(({ panelId }) => panelId === this.panel()?.id),
  );
  protected readonly sides = computed((): Choice<Side>[] => [
    { label: 'Circuit', value: 'circuit' },
    { label: 'Panel', value: 'panel' },
    { label: `Findings\u00a0${this.findings().length}`, value: 'findings' },
    { label: 'Legs', value: 'legs' },
    { label: 'Sensors', value: 'sensors' },
  ]);
  protected readonly faulty = computed(
    () =>
      new Set(
        this.findings()
          .filter(({ severity }) => severity === 'must-fix' || severity === 'stops')
          .flatMap(({ circuitIds }) => circuitIds),
      ),
  );
  protected readonly unplaced = computed(
    () => this.plan()?.loads.filter(({ circuitId }) => circuitId === null) ?? [],
  );
  protected readonly season = computed(() => this.evaluation()?.settings.designSeason.value ?? 'winter');
  protected readonly summary = computed(() => {
    const panel = this.panel();
    if (!panel) return '';
    const taken = new Set(panel.circuits.flatMap(({ spaces }) => spaces)).size;
    const count = panel.circuits.length;
    return `${count} ${count === 1 ? 'breaker' : 'breakers'}, ${taken} of ${panel.spaces} spaces`;
  });
  protected readonly schedule = computed(
    () => `/api/jobs/${this.session.id()}/panels/${this.panel()?.id ?? ''}/schedule`,
  );
  protected readonly importing = signal<string | null>(null);
  /** The ladder takes the focus once it is drawn. */
  private readonly writesFirst = signal(false);

  constructor() {
    effect(() => {
      const ladder = this.ladder();
      if (!ladder || !this.writesFirst()) return;
      untracked(() => {
        this.writesFirst.set(false);
        ladder.focus(1);
      });
    });
    effect(() => {
      const wanted = this.asked();
      const survey = this.plan()?.survey;
      const ladder = this.ladder();
      if (wanted === null || !survey) return;
      untracked(() => {
        const placed = circuitsById(survey).get(wanted);
        if (placed) this.wanted.set(placed.panel.id);
        this.side.set('circuit');
        // The ladder may have to be drawn first; it then comes back here.
        if (placed && !ladder) return;
        this.focus.done();
        if (placed) ladder?.focus(placed.circuit.spaces[0]!);
      });
    });
  }

  /** The next thing to do is to read the breakers off the legend: the first space waits for it. */
  protected start(): void {
    this.wanted.set(this.edits.addService());
    this.side.set('panel');
    this.writesFirst.set(true);
  }

  protected addBelow(panel: Panel | null): void {
    this.wanted.set(this.edits.addPanel(panel ? { kind: 'lugs', panelId: panel.id } : { kind: 'unknown' }));
    this.side.set('panel');
  }

  /** Another space was chosen: its circuit is what one wants to see, unless one follows a check. */
  protected onSpace(space: number): void {
    this.chosen.set(chooseSpace(this.panel(), space));
    if (this.side() === 'panel') this.side.set('circuit');
  }

  /** For fingers: the chosen space is opened for writing. */
  protected write(): void {
    this.ladder()?.startEdit();
  }

  protected show(id: string): void {
    this.wanted.set(id);
  }

  protected removePanel(panel: Panel): void {
    this.edits.removePanel(panel);
    this.wanted.set(null);
  }

  protected onImported(space: number): void {
    this.importing.set(null);
    this.ladder()?.focus(space);
  }
}
