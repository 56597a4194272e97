import { inject, Injectable } from '@angular/core';
import { sameValue } from '@levamen/core/base';
import { type Job } from '@levamen/core/job';
import { DeviceDatabase } from './device-database';
import type { History } from './history';
import { Tab } from './tab';

/** Steps kept on this device; shared parts of documents are stored once. */
const keptSteps = 60;
const keptForMs = 30 * 86_400_000;

/** Keeps the steps of undo of a tab, so that they survive a reload. Losing them loses no data. */
@Injectable({ providedIn: 'root' })
export class HistoryStore {
  private readonly database = inject(DeviceDatabase);
  private readonly tab = inject(Tab);

  async write(jobId: string, history: History<Job>): Promise<void> {
    const [database, tab] = await Promise.all([this.database.open(), this.tab.id()]);
    const kept: History<Job> = {
      ...history,
      past: history.past.slice(-keptSteps),
      future: history.future.slice(0, keptSteps),
    };
    await database.put('histories', { jobId, tab, history: kept, savedAt: Date.now() });
  }

  /** The steps that lead to `present`: this tab's own, or those of a tab that is closed. null = none. */
  async find(jobId: string, present: Job): Promise<History<Job> | null> {
    const [database, own, living] = await Promise.all([
      this.database.open(),
      this.tab.id(),
      this.tab.living(),
    ]);
    const kept = await database.getAllFromIndex('histories', 'job', jobId);
    const old = kept.filter(({ savedAt }) => savedAt < Date.now() - keptForMs);
    await Promise.all(old.map(({ tab }) => database.delete('histories', [jobId, tab])));
    const found = kept
      .filter(({ tab }) => tab === own || !living.has(tab))
      .toSorted((a, b) => (a.tab === own ? -1 : b.tab === own ? 1 : b.savedAt - a.savedAt))
      .find(
        ({ history }) => history.present.version === present.version && sameValue(history.present, present),
      );
    return found ? { ...found.history, present } : null;
  }
}
