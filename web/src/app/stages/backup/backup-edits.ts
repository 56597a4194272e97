import { inject, Injectable } from '@angular/core';

import {
  type BenchItem,
  changeServiceBackup,
  isolateMains,
  changeShed,
  everythingRuns,
  joinService,
  type Lane,
  moveToLane,
  type Plan,
  type ServiceBackup,
  type Shed,
  unplug,
  circuitsFromLoads,
} from '@levamen/core/design';
import {
  type Substitute,
  type Suggestion,
  takeSuggestion,
  withSubstitute,
} from '@levamen/core/study/details';
import { JobSession } from '../../data/job-session';
import { laneFacts } from './lane-facts';

/** Changes to the backup set; each is one step of undo. */
@Injectable()
export class BackupEdits {
  private readonly session = inject(JobSession);

  /** Moves circuits and loose loads to a lane. Answers with why some cannot go there; '' where all can. */
  move(items: readonly BenchItem[], lane: Lane): string {
    const loose = items.filter(({ circuit }) => circuit === null);
    const plan = this.session.plan();
    const runsAnyway = lane === 'dark' && plan !== null && everythingRuns(plan);
    const stuck = lane === 'auto' || runsAnyway ? loose : [];
    const moving = items.filter((item) => !stuck.includes(item));
    if (moving.some((item) => item.lane !== lane)) {
      const what = moving.length === 1 ? moving[0]!.name : `${moving.length} circuits`;
      this.session.edit(`${what}: ${laneFacts[lane].title.toLowerCase()}`, (now) =>
        moveToLane(
          now,
          {
            circuitIds: moving.flatMap(({ circuit }) => (circuit ? [circuit.id] : [])),
            loadIds: moving.flatMap(({ circuit, id }) => (circuit ? [] : [id])),
          },
          lane,
        ),
      );
    }
    if (stuck.length === 0) return '';
    const why = runsAnyway
      ? 'behind the isolating device it runs until somebody unplugs it: by hand. Or put it on its circuit in Panels.'
      : 'only a circuit can be shed. Put it on its circuit in Panels first.';
    return `${stuck.map(({ name }) => name).join(', ')}: ${why}`;
  }

  unplug(loadId: string, unplugged: boolean): void {
    this.session.edit(unplugged ? 'unplugged in an outage' : 'plugged in', (plan) =>
      unplug(plan, [loadId], unplugged),
    );
  }

  shed(circuitIds: readonly string[], change: Partial<Shed>): void {
    this.session.edit('shedding', (plan) => changeShed(plan, circuitIds, change));
  }

  service(serviceId: string, change: Partial<ServiceBackup>): void {
    this.session.edit('backup of the service', (plan) => changeServiceBackup(plan, serviceId, change));
  }

  /** Cuts off mains of a service one by one. */
  mains(serviceId: string, panelIds: readonly string[]): void {
    this.session.edit('point of isolation', (plan) => isolateMains(plan, serviceId, panelIds));
  }

  /** Puts a service on the source of another one, or on one of its own (null). */
  join(serviceId: string, hostId: string | null): void {
    this.session.edit('source of the service', (plan) => joinService(plan, serviceId, hostId));
  }

  /** A circuit for every load that hangs on none. */
  makeCircuits(): void {
    this.session.edit('circuits from loads', (plan) => circuitsFromLoads(plan, () => crypto.randomUUID()));
  }

  setShouldWorth(shouldWorth: number): void {
    this.session.edit('weight of a should', (plan) => ({ ...plan, backup: { ...plan.backup, shouldWorth } }));
  }

  take(suggestion: Suggestion): void {
    this.session.edit('suggested set', (plan) => takeSuggestion(plan, suggestion));
  }

  takeSubstitute(substitute: Substitute): void {
    this.session.edit(substitute.title, (plan) => withSubstitute(plan, substitute));
  }

  takePlan(label: string, changed: Plan): void {
    this.session.edit(label, () => changed);
  }
}
