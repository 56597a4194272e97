import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { ChannelRole } from '@levamen/core/house';
import type { CsvOptions, MeasuredUse, MeasuredYear, UsageAnalysis } from '@levamen/core/house/details';
import type { SavedReadingSet } from '@levamen/core/api';
import { proxy, wrap, type Remote } from 'comlink';
import { firstValueFrom } from 'rxjs';
import type { FilePreview, ReadFile, ReadingsApi } from '../workers/readings-api';
import { JobsApi } from './jobs-api';

/** What is under way, and how far it is. */
export interface MeterWork {
  readonly what: string;
  readonly share: number;
  readonly canCancel: boolean;
}

/** Meter data of the open job: read, kept and analysed in a worker that lives as long as the stage. */
@Injectable()
export class MeterData {
  private readonly api = inject(JobsApi);
  private worker: Worker | null = null;
  private remote: Remote<ReadingsApi> | null = null;

  readonly sets = signal<readonly SavedReadingSet[]>([]);
  readonly open = signal<SavedReadingSet | null>(null);
  readonly analysis = signal<UsageAnalysis | null>(null);
  readonly work = signal<MeterWork | null>(null);
  readonly problem = signal('');
  readonly lastRead = signal<ReadFile | null>(null);
  readonly busy = computed(() => this.work() !== null);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  async list(jobId: string): Promise<void> {
    this.sets.set(await firstValueFrom(this.api.readingSets(jobId)));
  }

  /** A set of the job, one that was removed from its list too; null where there is none. */
  find(jobId: string, setId: string): Promise<SavedReadingSet | null> {
    return firstValueFrom(this.api.readingSet(jobId, setId));
  }

  preview(file: Blob, name: string, dayFirst: boolean): Promise<FilePreview> {
    return this.there().preview(file, name, dayFirst);
  }

  /** Reads a file, keeps it with the job, and analyses it. Answers with the set, or null where it was not taken. */
  async take(
    jobId: string,
    file: Blob,
    name: string,
    preview: Exclude<FilePreview, { kind: 'unknown' }>,
    options: CsvOptions,
    feedBack: readonly string[],
  ): Promise<SavedReadingSet | null> {
    return this.during(`Reading ${name}`, true, async (progress) => {
      const read =
        preview.kind === 'csv'
          ? await this.there().readCsv(file, preview.shape, preview.delimiter, options, progress)
          : await this.there().readEspi(file, progress);
      this.lastRead.set(read.why === 'cancelled' ? null : read);
      if (read.why !== '') {
        this.problem.set(read.why === 'cancelled' ? '' : read.why);
        return null;
      }
      this.work.set({ what: `Keeping ${name}`, share: 0, canCancel: false });
      const set = await this.there().save(jobId, name, options.zone, progress);
      await this.list(jobId);
      await this.analyse(set, feedBack);
      return set;
    });
  }

  /** Fetches a set and analyses it. */
  async show(jobId: string, set: SavedReadingSet, feedBack: readonly string[]): Promise<void> {
    await this.during(`Fetching ${set.name}`, false, async (progress) => {
      await this.there().load(jobId, set, progress);
      await this.analyse(set, feedBack);
    });
  }

  async remove(jobId: string, set: SavedReadingSet): Promise<void> {
    await firstValueFrom(this.api.removeReadings(jobId, set.id));
    if (this.open()?.id === set.id) {
      this.open.set(null);
      this.analysis.set(null);
    }
    await this.list(jobId);
  }

  /** Turns a sensor round, or says what a channel measures; the changed set replaces the old one. */
  async change(
    jobId: string,
    channel: string,
    change: 'flip' | ChannelRole,
    feedBack: readonly string[],
  ): Promise<SavedReadingSet | null> {
    const old = this.open();
    if (!old) return null;
    return this.during(`Changing ${channel}`, false, async (progress) => {
      if (change === 'flip') await this.there().flip(channel);
      else await this.there().setRole(channel, change);
      const set = await this.there().save(jobId, old.name, old.zone, progress);
      await firstValueFrom(this.api.removeReadings(jobId, old.id));
      await this.list(jobId);
      await this.analyse(set, feedBack);
      return set;
    });
  }

  /** A set as a year of the calendar; null where it is not here, or knows circuits only. */
  async year(jobId: string, setId: string, calendarYear: number): Promise<MeasuredYear | null> {
    const set = await this.find(jobId, setId);
    if (!set?.complete) return null;
    await this.there().load(
      jobId,
      set,
      proxy(() => undefined),
    );
    return this.there().year(set.zone, calendarYear);
  }

  measuredUse(channel: string, zone: string, southern: boolean): Promise<MeasuredUse | null> {
    return this.there().measuredUse(channel, zone, southern);
  }

  cancel(): void {
    void this.remote?.cancel();
  }

  private async analyse(set: SavedReadingSet, feedBack: readonly string[]): Promise<void> {
    this.work.set({ what: 'Working it out', share: 1, canCancel: false });
    this.analysis.set(await this.there().analyse(set.zone, [...feedBack]));
    this.open.set(set);
  }

  private async during<T>(
    what: string,
    canCancel: boolean,
    run: (progress: (share: number) => void) => Promise<T>,
  ): Promise<T | null> {
    if (this.busy()) return null;
    this.problem.set('');
    this.work.set({ what, share: 0, canCancel });
    try {
      return await run(proxy((share: number) => this.work.update((work) => work && { ...work, share })));
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : 'The meter data could not be worked on.');
      return null;
    } finally {
      this.work.set(null);
    }
  }

  private there(): Remote<ReadingsApi> {
    if (!this.remote) {
      this.worker = new Worker(new URL('../workers/readings.worker', import.meta.url), { type: 'module' });
      this.remote = wrap<ReadingsApi>(this.worker);
    }
    return this.remote;
  }
}
