import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Recording, SavedWeather } from '@levamen/core/api';
import type { OutageSample } from '@levamen/core/commissioning/details';
import { type Plan, sameToStudies } from '@levamen/core/design';
import type { Catalogue } from '@levamen/core/equipment';
import type { LoggedOutage } from '@levamen/core/house';
import type { WeatherYear } from '@levamen/core/nature';
import type { LogbookQuestion, ToldBattery } from '@levamen/core/logbook/details';
import { type Remote, wrap } from 'comlink';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  firstValueFrom,
  from,
  map,
  of,
  switchMap,
  tap,
} from 'rxjs';
import { chosenStacks } from '../../data/chosen-stacks';
import { JobSession } from '../../data/job-session';
import { JobsApi, problemText } from '../../data/jobs-api';
import { SystemsApi } from '../../data/systems-api';
import { WeatherYears } from '../../data/weather-years';
import type { LogbookApi } from '../../workers/logbook-api';
import { LogbookState } from './logbook-state';

/** After an edit the margins come first. */
const settleMs = 500;

/** What an outage tells, as the worker says it. */
export type Told = NonNullable<ReturnType<LogbookApi['outage']>>;

/** Edits of a logbook that no outage is played anew for. */
const sameQuestion = (one: Plan | null, other: Plan | null): boolean =>
  one === other ||
  (one !== null &&
    other !== null &&
    sameToStudies(one, other) &&
    one.logbook.outages === other.logbook.outages &&
    one.logbook.units === other.logbook.units &&
    one.commissioning.outages === other.commissioning.outages &&
    one.course === other.course);

/** Everything an outage is told by beside its own entry. */
interface Rest extends Pick<LogbookQuestion, 'plan' | 'weather'> {
  readonly text: string;
}
const restOf = (
  { plan, weather, islandId, parts, recordings, years }: LogbookQuestion,
  catalogue: Catalogue,
  battery: ToldBattery,
): Rest => ({
  plan,
  weather,
  text: JSON.stringify([
    islandId,
    parts,
    recordings.map(({ id }) => id),
    years.map(({ id }) => id),
    catalogue,
    battery,
  ]),
});
const sameRest = (one: Rest, other: Rest): boolean =>
  one.text === other.text && one.weather === other.weather && sameToStudies(one.plan, other.plan);

/** What the outages of the logbook tell: played in a worker, one after the other. */
@Injectable()
export class LogbookStudy {
  private readonly session = inject(JobSession);
  private readonly api = inject(SystemsApi);
  private readonly jobs = inject(JobsApi);
  private readonly weather = inject(WeatherYears);
  private readonly state = inject(LogbookState);
  private worker: { readonly own: Worker; readonly remote: Remote<LogbookApi> } | null = null;

  /** Recordings of the job; null = the server was not asked yet, or is away. */
  readonly recordings = signal<readonly Recording[] | null>(null);
  /** What was recorded, by recording. */
  private readonly samples = signal<ReadonlyMap<string, readonly OutageSample[]>>(new Map());
  private readonly years = new Map<string, WeatherYear>();
  /** Years of weather that were read from files. */
  readonly weatherList = toSignal(
    inject(JobsApi)
      .weatherList()
      .pipe(catchError(() => of<SavedWeather[]>([]))),
    {
      initialValue: [],
    },
  );
  /** Why something is missing; '' = nothing is. */
  readonly problem = signal('');
  readonly battery = signal<ToldBattery | null>(null);
  /** What is told so far, by outage, with the entry it was told of. */
  readonly told = signal<
    ReadonlyMap<string, { readonly of: LoggedOutage; readonly told: Told; readonly rest: Rest }>
  >(new Map());
  private rest: Rest | null = null;
  readonly isPlaying = signal(false);

  private readonly plan = computed(() => this.session.plan(), { equal: sameQuestion });
  private readonly stacks = chosenStacks(this.plan);
  readonly islandId = computed(() => {
    const chosen = this.state.logbook().outages.find(({ id }) => id === this.state.chosenId());
    const stacks = this.stacks()?.stacks ?? [];
    return (stacks.find(({ islandId }) => islandId === chosen?.islandId) ?? stacks[0])?.islandId ?? '';
  });
  /** Units of the island that is looked at; null = none are chosen. */
  readonly parts = computed(
    () => this.stacks()?.stacks.find(({ islandId }) => islandId === this.islandId())?.parts ?? null,
  );
  private readonly asked = computed(() => {
    const chosen = this.stacks();
    const parts = this.parts();
    if (!chosen || !parts || this.recordings() === null) return null;
    const weather = this.weather.year();
    if (chosen.plan.outage.weatherId !== null && !weather.ready) return null;
    return {
      plan: chosen.plan,
      parts,
      islandId: this.islandId(),
      weather: weather.year,
      catalogue: chosen.catalogue,
    };
  });

  constructor() {
    toObservable(this.session.id)
      .pipe(
        switchMap((id) => (id === '' ? EMPTY : from(this.load(id)))),
        takeUntilDestroyed(),
      )
      .subscribe();
    toObservable(this.asked)
      .pipe(
        debounceTime(settleMs),
        switchMap((asked) => (asked ? from(this.questionOf(asked)) : EMPTY)),
        switchMap(({ question, catalogue }) => {
          this.isPlaying.set(true);
          const remote = this.remote();
          return from(remote.prepare(question, catalogue)).pipe(
            tap((battery) => this.battery.set(battery)),
            switchMap((battery) => {
              if (!battery) return EMPTY;
              const rest = this.settledRest(restOf(question, catalogue, battery));
              return from(this.stale(question, rest)).pipe(
                concatMap((of) => from(remote.outage(of.id)).pipe(map((told) => ({ of, told, rest })))),
              );
            }),
            tap({
              next: ({ of, told, rest }) => {
                if (told) this.told.update((all) => new Map(all).set(of.id, { of, told, rest }));
              },
              complete: () => this.isPlaying.set(false),
            }),
            catchError((error: unknown) => {
              this.isPlaying.set(false);
              this.problem.set(problemText(error));
              return EMPTY;
            }),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe();
    inject(DestroyRef).onDestroy(() => this.worker?.own.terminate());
  }

  /** The rest that was told by before, where this one says the same. */
  private settledRest(rest: Rest): Rest {
    this.rest = this.rest && sameRest(this.rest, rest) ? this.rest : rest;
    return this.rest;
  }

  /** Outages of the island that are not told yet as they are now, the last one first. */
  private stale({ plan, islandId }: LogbookQuestion, rest: Rest): readonly LoggedOutage[] {
    return plan.logbook.outages
      .filter((outage) => {
        const before = this.told().get(outage.id);
        return outage.islandId === islandId && (before?.of !== outage || before.rest !== rest);
      })
      .toReversed();
  }

  /** What was recorded, read from the server when somebody asks for it first. */
  async samplesOf(recordingId: string): Promise<readonly OutageSample[]> {
    const known = this.samples().get(recordingId);
    if (known) return known;
    const samples = await firstValueFrom(this.api.samples(this.session.id(), recordingId));
    this.samples.update((all) => new Map(all).set(recordingId, samples));
    return samples;
  }

  async load(jobId = this.session.id()): Promise<void> {
    try {
      this.recordings.set(await firstValueFrom(this.api.recordings(jobId)));
      this.problem.set('');
    } catch (error) {
      // What was typed is told all the same.
      this.recordings.set([]);
      this.problem.set(`What was recorded cannot be read now: ${problemText(error)}`);
    }
  }

  private async questionOf({ catalogue, ...asked }: NonNullable<ReturnType<typeof this.asked>>): Promise<{
    readonly question: LogbookQuestion;
    readonly catalogue: typeof catalogue;
  }> {
    const wanted = new Set([
      ...asked.plan.logbook.outages.map(({ recordingId }) => recordingId),
      ...asked.plan.commissioning.outages.map(({ id }) => id),
    ]);
    const recordings = [];
    for (const { id, beganAt, endedAt } of this.recordings() ?? []) {
      if (!wanted.has(id) || endedAt === null) continue;
      try {
        recordings.push({ id, beganAt, samples: await this.samplesOf(id) });
      } catch (error) {
        this.problem.set(`What was recorded cannot be read now: ${problemText(error)}`);
      }
    }
    const years = [];
    for (const id of new Set(asked.plan.logbook.outages.map(({ weatherId }) => weatherId))) {
      if (id === null) continue;
      try {
        years.push({ id, year: await this.yearOf(id) });
      } catch (error) {
        this.problem.set(`A year of weather cannot be read now: ${problemText(error)}`);
      }
    }
    return { question: { ...asked, recordings, years }, catalogue };
  }

  private async yearOf(id: string): Promise<WeatherYear> {
    const known = this.years.get(id);
    if (known) return known;
    const year = await firstValueFrom(this.jobs.weather(id));
    this.years.set(id, year);
    return year;
  }

  private remote(): Remote<LogbookApi> {
    if (this.worker) return this.worker.remote;
    const own = new Worker(new URL('../../workers/logbook.worker', import.meta.url), { type: 'module' });
    this.worker = { own, remote: wrap<LogbookApi>(own) };
    return this.worker.remote;
  }
}
