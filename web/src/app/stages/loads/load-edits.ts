import { inject, Injectable } from '@angular/core';
import {
  blankLoad,
  type Load,
  loadFromLibrary,
  loadLibrary,
  type StarterSet,
  type TypicalLoad,
} from '@levamen/core/house';
import { maxLoads } from '@levamen/core/design';
import type { Job } from '@levamen/core/job';
import { JobSession } from '../../data/job-session';

const newId = (): string => crypto.randomUUID();

/** Changes to the list of loads; each is one step of undo. Adding answers with the id of the last load added. */
@Injectable()
export class LoadEdits {
  private readonly session = inject(JobSession);

  /** How many loads still fit into the job. */
  room(): number {
    return maxLoads - (this.session.job()?.loads.length ?? 0);
  }

  replace(load: Load, label = load.name): void {
    this.change(label, (loads) => loads.map((one) => (one.id === load.id ? load : one)));
  }

  toggle(load: Load): void {
    this.replace(
      { ...load, inBackupSet: !load.inBackupSet },
      `${load.name} ${load.inBackupSet ? 'out of' : 'into'} the backup set`,
    );
  }

  remove(load: Load): void {
    this.change(`removing ${load.name}`, (loads) => loads.filter(({ id }) => id !== load.id));
  }

  addBlank(after: string | null): string | null {
    return this.add('new load', after, (job) => [
      blankLoad(newId(), `Load ${job.loads.length + 1}`, job.supply.system, job.loads),
    ]);
  }

  duplicate(load: Load): string | null {
    return this.add(`duplicate of ${load.name}`, load.id, () => [{ ...load, id: newId() }]);
  }

  addTypical(typical: readonly TypicalLoad[], label: string): string | null {
    return this.add(label, null, (job) =>
      typical.reduce<Load[]>(
        (added, entry) => [
          ...added,
          loadFromLibrary(entry, newId(), job.supply.system, [...job.loads, ...added]),
        ],
        [],
      ),
    );
  }

  addStarterSet(set: StarterSet): string | null {
    const entries = set.loadIds.flatMap((id) => loadLibrary.find((entry) => entry.id === id) ?? []);
    return this.addTypical(entries, set.name);
  }

  addAll(loads: readonly Load[], label: string): string | null {
    return this.add(label, null, () => loads);
  }

  private add(label: string, after: string | null, make: (job: Job) => readonly Load[]): string | null {
    const job = this.session.job();
    if (!job) return null;
    const added = make(job).slice(0, this.room());
    if (added.length === 0) return null;
    this.change(label, (loads) => {
      const at = after === null ? loads.length : loads.findIndex(({ id }) => id === after) + 1;
      return loads.toSpliced(at, 0, ...added);
    });
    return added.at(-1)!.id;
  }

  private change(label: string, change: (loads: Load[]) => Load[]): void {
    this.session.edit(label, (job) => ({ ...job, loads: change(job.loads) }));
  }
}
