import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { WiringFinding } from '@levamen/core/wiring';
import { SelectButton } from 'primeng/selectbutton';
import { JobSession } from '../../data/job-session';
import { WiringStudies } from '../../data/wiring-studies';
import { IsolationView } from './isolation-view';
import { NothingYet } from '../nothing-yet';
import { FactsCard } from './facts-card';
import { InterlocksCard } from './interlocks-card';
import { MaterialView } from './material-view';
import { OneLineView } from './one-line-view';
import { PartCard } from './part-card';
import { PartList } from './part-list';
import { PlannedPanelsView } from './planned-panels-view';
import { StatesCard } from './states-card';
import { WiringFindings } from './wiring-findings';
import { WiringState } from './wiring-state';

type Main = 'drawing' | 'list' | 'material' | 'panels' | 'isolation';
type Side = 'findings' | 'states' | 'facts';

/** The wiring of the design: drawn, listed, sized, and looked at in every way its switches can stand. */
@Component({
  selector: 'lv-wiring-stage',
  imports: [
    FactsCard,
    FormsModule,
    InterlocksCard,
    IsolationView,
    MaterialView,
    NothingYet,
    OneLineView,
    PartCard,
    PartList,
    PlannedPanelsView,
    SelectButton,
    StatesCard,
    WiringFindings,
  ],
  providers: [WiringState],
  templateUrl: './wiring-stage.html',
  styleUrl: '../work-and-side.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WiringStage {
  private readonly session = inject(JobSession);
  protected readonly studies = inject(WiringStudies);
  protected readonly state = inject(WiringState);

  protected readonly main = signal<Main>('drawing');
  protected readonly side = signal<Side>('findings');
  protected readonly mains = [
    { value: 'drawing', label: 'Drawing' },
    { value: 'list', label: 'From–to list' },
    { value: 'material', label: 'Material' },
    { value: 'panels', label: 'Panels then' },
    { value: 'isolation', label: 'Switching, signs' },
  ];
  protected readonly sides = [
    { value: 'findings', label: 'Findings' },
    { value: 'states', label: 'Switches' },
    { value: 'facts', label: 'Rests on' },
  ];
  protected readonly plan = this.session.plan;
  protected readonly hasPanels = computed(() => (this.plan()?.survey.panels.length ?? 0) > 0);
  protected readonly findings = computed(() => this.state.answer()?.findings ?? []);
  protected readonly assumptions = computed(() => this.state.graph()?.assumptions ?? []);
  protected readonly summary = computed(() => {
    const wired = this.state.answer()?.wired;
    if (!wired) return this.studies.state().problem || 'The wiring is being worked out…';
    const { handles, tried, standings } = wired.states;
    const checks = wired.checks.filter(({ advice }) => !advice).length;
    const ways = `${standings} ways the switches can stand (${handles} handles, ${handles - tried} of them cannot matter)`;
    return `${checks} checks of parts and busbars; ${ways}. Recalled from memory: verify against the adopted edition, and leave the work to licensed people.`;
  });

  protected show(finding: WiringFinding): void {
    if (finding.example) {
      this.state.show(finding.example);
      this.main.set('drawing');
    } else {
      this.state.marked.set([]);
      this.state.chosen.set(finding.about);
    }
  }
}
