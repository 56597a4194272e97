import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { IslandChoice } from '../../power/island-choice';
import type { Choice } from '../../ui/choice-field';
import { NothingYet } from '../nothing-yet';
import { ChancesView } from './chances-view';
import { ConditionsView } from './conditions/conditions-view';
import { DrillView } from './drill-view';
import { HelpView } from './help-view';
import { OutageState } from './outage-state';
import { PlayView } from './play-view';
import { ReserveView } from './reserve-view';
import { YearView } from './year-view';

type Part = 'play' | 'year' | 'chances' | 'help' | 'drill' | 'reserve' | 'conditions';

/** What each part will show. */
const teachings: Readonly<Record<Part, string>> = {
  play: 'Here an outage is played through minute by minute: loads, sun, battery, generator, and what is shed, trips or comes back when.',
  year: 'Here an outage begins in every hour of the year: how long each lasts, by month and hour, and what fails first.',
  chances:
    'Here it stands how likely an outage of each length is got through, by season and by the charge at its start, over many years of weather.',
  help: 'Here every change that is possible is played through and ranked by the hours it gains, and by hours for its cost.',
  drill:
    'Here you stand at the panel while the grid is away, and switch loads on and off as the household would.',
  reserve: 'Here it shows what charge that is held back costs on usual days, and what it buys in an outage.',
  conditions: '',
};

/** The outage, played through: what happens, how likely the house is seen through, and what would help. */
@Component({
  selector: 'lv-outage-stage',
  imports: [
    IslandChoice,
    NothingYet,
    Button,
    ChancesView,
    ConditionsView,
    DrillView,
    FormsModule,
    HelpView,
    PlayView,
    ReserveView,
    SelectButton,
    YearView,
  ],
  providers: [OutageState],
  templateUrl: './outage-stage.html',
  styleUrl: './outage-stage.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OutageStage {
  private readonly evaluations = inject(EvaluationService);
  protected readonly state = inject(OutageState);
  protected readonly plan = inject(JobSession).plan;
  protected readonly units = this.evaluations.units;
  protected readonly part = signal<Part>('play');
  protected readonly parts: Choice<Part>[] = [
    { label: 'Play', value: 'play' },
    { label: 'Year', value: 'year' },
    { label: 'Chances', value: 'chances' },
    { label: 'What helps', value: 'help' },
    { label: 'Drill', value: 'drill' },
    { label: 'Reserve', value: 'reserve' },
    { label: 'Conditions', value: 'conditions' },
  ];
  protected readonly teaching = computed(() => teachings[this.part()]);
  protected readonly hasLoads = computed(
    () => (this.evaluations.evaluation()?.context.backupSet.length ?? 0) > 0,
  );
  protected readonly working = computed(() => {
    const { value, problem } = this.state.year();
    return value === null && problem === '' && this.state.study() !== this.state.stopped() && this.hasLoads();
  });
  protected readonly done = computed(() => Math.round(this.state.year().share * 100));
  protected readonly stopped = computed(
    () => this.state.stopped() !== null && this.state.study() === this.state.stopped(),
  );

  protected lookAt(minute: number): void {
    this.state.lookAt(minute);
    this.part.set('play');
  }
}
