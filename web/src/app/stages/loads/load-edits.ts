import { inject, Injectable } from '@angular/core';
import type { Load, TypicalLoad } from '@levamen/core/house';
import {
  blankLoad,
  loadFromLibrary,
  loadLibrary,
  loadsFromCircuits,
  type StarterSet,
} from '@levamen/core/house/details';
import {
  addLoads,
  keepLoads,
  keptLoads,
  maxLoads,
  type Plan,
  setSoftStarter,
  softStarted,
  unplug,
} from '@levamen/core/design';

import { JobSession } from '../../data/job-session';

const newId = (): string => crypto.randomUUID();

/** Changes to the list of loads; each is one step of undo. Adding answers with the id of the last load added. */
@Injectable()
export class LoadEdits {
  private readonly session = inject(JobSession);

  /** How many loads still fit into the job. */
  room(): number {
    return maxLoads - (this.session.plan()?.loads.length ?? 0);
  }

  replace(load: Load, label = load.name): void {
    this.change(label, (loads) => loads.map((one) => (one.id === load.id ? load : one)));
  }

  toggle(load: Load): void {
    const plan = this.session.plan();
    if (!plan) return;
    const kept = keptLoads(plan).has(load.id);
    this.session.edit(`${load.name} ${kept ? 'out of' : 'into'} the backup set`, (now) =>
      keepLoads(now, [load.id], !kept),
    );
  }

  /** Says that the household unplugs a load in an outage, or that it doesn't. */
  unplug(load: Load, unplugged: boolean): void {
    this.session.edit(`${load.name} ${unplugged ? 'unplugged' : 'plugged in'} in an outage`, (now) =>
      unplug(now, [load.id], unplugged),
    );
  }

  /** Puts a soft starter to a load in the design that is looked at, or takes it away. */
  softStart(load: Load, wanted: boolean): void {
    this.session.edit(`${wanted ? 'soft starter for' : 'no soft starter for'} ${load.name}`, (now) =>
      setSoftStarter(now, load.id, wanted),
    );
  }

  /** Has the design that is looked at put a soft starter to it? */
  hasSoftStarter(load: Load): boolean {
    const plan = this.session.plan();
    return plan !== null && softStarted(plan).has(load.id);
  }

  remove(load: Load): void {
    this.change(`removing ${load.name}`, (loads) => loads.filter(({ id }) => id !== load.id));
  }

  addBlank(after: string | null): string | null {
    return this.add('new load', after, (plan) => [
      blankLoad(newId(), `Load ${plan.loads.length + 1}`, plan.supply.system, plan.loads),
    ]);
  }

  duplicate(load: Load): string | null {
    return this.add(`duplicate of ${load.name}`, load.id, () => [{ ...load, id: newId() }]);
  }

  addTypical(typical: readonly TypicalLoad[], label: string): string | null {
    return this.add(label, null, (plan) =>
      typical.reduce<Load[]>(
        (added, entry) => [
          ...added,
          loadFromLibrary(entry, newId(), plan.supply.system, [...plan.loads, ...added]),
        ],
        [],
      ),
    );
  }

  addStarterSet(set: StarterSet): string | null {
    const entries = set.loadIds.flatMap((id) => loadLibrary.find((entry) => entry.id === id) ?? []);
    return this.addTypical(entries, set.name);
  }

  /** Typical loads for the circuits on which none hangs yet, by the names on the legend. */
  addFromLegend(): string | null {
    return this.add('loads from the legend', null, (plan) => loadsFromCircuits(plan, newId).loads);
  }

  addAll(loads: readonly Load[], label: string): string | null {
    return this.add(label, null, () => loads);
  }

  private add(label: string, after: string | null, make: (plan: Plan) => readonly Load[]): string | null {
    const plan = this.session.plan();
    if (!plan) return null;
    const added = make(plan).slice(0, this.room());
    if (added.length === 0) return null;
    const at = after === null ? plan.loads.length : plan.loads.findIndex(({ id }) => id === after) + 1;
    this.session.edit(label, (now) => addLoads(now, added, at));
    return added.at(-1)!.id;
  }

  private change(label: string, change: (loads: Load[]) => Load[]): void {
    this.session.edit(label, (plan) => ({ ...plan, loads: change(plan.loads) }));
  }
}
