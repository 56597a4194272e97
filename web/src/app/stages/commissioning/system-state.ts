import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { sameValue } from '@levamen/core/base';
import type { FoundSystem, Recording, SystemEvent } from '@levamen/core/api';
import type { OutageSample, SystemNow } from '@levamen/core/commissioning/details';
import { bufferTime, filter, firstValueFrom, of, switchMap, tap } from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { SystemsApi } from '../../data/systems-api';
import { CommissioningState } from './commissioning-state';

/** What was recorded meanwhile is shown this often, ms: a picture of hours is not drawn anew each second. */
const shownMs = 2000;

/** The devices of the job's system: where they are asked, what they show, what is recorded of them. */
@Injectable()
export class SystemState {
  private readonly api = inject(SystemsApi);
  private readonly session = inject(JobSession);
  private readonly commissioning = inject(CommissioningState);

  readonly address = computed(() => this.commissioning.record().system, { equal: sameValue });
  /** Somebody wants to see what they show; a recording goes on without that. */
  readonly isWatched = signal(false);
  /** What they show now; null = nothing yet, or nothing any more. */
  readonly now = signal<SystemNow | null>(null);
  /** Why nothing is shown, or what is doubtful; '' = all is well. */
  readonly says = signal('');
  readonly found = signal<FoundSystem | null>(null);
  /** What came of the last thing that was asked; '' = nothing to say. */
  readonly answer = signal('');
  readonly isBusy = signal(false);

  /** Networks in which the server may ask; null = not known yet. */
  readonly networks = signal<readonly string[] | null>(null);
  readonly recordings = signal<readonly Recording[]>([]);
  readonly running = computed(() => this.recordings().find(({ endedAt }) => endedAt === null) ?? null);
  private readonly chosenId = signal('');
  /** The recording that is looked at: the one that goes on, else the one that was chosen, else the last. */
  readonly shown = computed(
    () =>
      this.running() ??
      this.recordings().find(({ id }) => id === this.chosenId()) ??
      this.recordings()[0] ??
      null,
  );
  readonly shownId = computed(() => this.shown()?.id ?? '');
  readonly samples = signal<readonly OutageSample[]>([]);

  constructor() {
    const watched = computed(() => ({
      jobId: this.session.id(),
      address: this.address(),
      isWatched: this.isWatched() || this.running() !== null,
    }));
    toObservable(watched)
      .pipe(
        tap(() => this.now.set(null)),
        switchMap(({ jobId, address, isWatched }) =>
          jobId !== '' && address && isWatched ? this.api.live(jobId, address) : of(undefined),
        ),
        tap((event) => {
          if (event !== undefined) this.take(event);
        }),
        bufferTime(shownMs),
        filter((events) => events.length > 0),
        takeUntilDestroyed(),
      )
      .subscribe((events) => this.add(events));
    effect(() => {
      if (this.session.id() !== '') untracked(() => void this.load());
    });
    effect(() => {
      const id = this.shownId();
      untracked(() => void this.loadSamples(id));
    });
  }

  choose(recordingId: string): void {
    this.chosenId.set(recordingId);
  }

  async find(): Promise<void> {
    const address = this.address();
    if (!address) return;
    await this.ask(async () => {
      this.found.set(await firstValueFrom(this.api.find(this.session.id(), address)));
      this.isWatched.set(true);
      return '';
    });
  }

  /** An owner lets the server ask in another network. */
  async allow(network: string): Promise<void> {
    await this.ask(async () => {
      const networks = [...(this.networks() ?? []), network];
      this.networks.set((await firstValueFrom(this.api.allow({ networks }))).networks);
      return `The server may ask devices at ${network} from now on.`;
    });
  }

  async begin(name: string, islandId: string): Promise<void> {
    const address = this.address();
    if (!address) return;
    await this.ask(async () => {
      const recording = await firstValueFrom(this.api.begin(this.session.id(), name, address));
      this.recordings.set([recording, ...this.recordings()]);
      this.commissioning.change('staged outage', (record) => ({
        ...record,
        outages: [...record.outages.slice(-19), { id: recording.id, islandId, marks: [] }],
      }));
      return '';
    });
  }

  async end(): Promise<void> {
    const running = this.running();
    if (!running) return;
    await this.ask(async () => {
      await firstValueFrom(this.api.end(this.session.id(), running.id));
      this.choose(running.id);
      await this.loadRecordings();
      await this.loadSamples(running.id);
      return '';
    });
  }

  private async load(): Promise<void> {
    try {
      const { networks } = await firstValueFrom(this.api.networks());
      this.networks.set(networks);
      await this.loadRecordings();
    } catch {
      // Without the server nothing is asked; what is typed goes on.
    }
  }

  private async loadRecordings(): Promise<void> {
    this.recordings.set(await firstValueFrom(this.api.recordings(this.session.id())));
  }

  private async loadSamples(recordingId: string): Promise<void> {
    if (recordingId === '') {
      this.samples.set([]);
      return;
    }
    try {
      const samples = await firstValueFrom(this.api.samples(this.session.id(), recordingId));
      if (this.shownId() === recordingId) this.samples.set(samples);
    } catch (error) {
      this.answer.set(problemText(error));
    }
  }

  private take(event: SystemEvent | null): void {
    if (event?.kind === 'now') {
      this.now.set(event.now);
      this.says.set(event.problems.join('; '));
      // Another window began or ended it.
      if (event.recordingId !== (this.running()?.id ?? null) && !this.isBusy())
        void this.loadRecordings().catch(() => undefined);
      return;
    }
    this.now.set(null);
    this.says.set(
      event === null
        ? 'The server does not answer; a recording goes on there.'
        : `${event.says}. It is asked again in ${event.againInS} s.`,
    );
  }

  private add(events: readonly (SystemEvent | null | undefined)[]): void {
    const running = this.running();
    if (!running) return;
    const last = this.samples().at(-1)?.second ?? -1;
    const more = events.flatMap((event) =>
      event?.kind === 'now' && event.recordingId === running.id && event.now.second > last ? [event.now] : [],
    );
    if (more.length > 0) this.samples.set([...this.samples(), ...more]);
  }

  private async ask(work: () => Promise<string>): Promise<void> {
    this.isBusy.set(true);
    try {
      this.answer.set(await work());
    } catch (error) {
      this.answer.set(problemText(error));
    } finally {
      this.isBusy.set(false);
    }
  }
}
