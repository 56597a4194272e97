import { computed, DestroyRef, inject, Injectable } from '@angular/core';
import type { Season } from '@levamen/core/nature';
import type { Catalogue, StackPart } from '@levamen/core/equipment';
import type { Plan } from '@levamen/core/design';
import {
  type BriefTally,
  holdsIn,
  noTally,
  outlookOf,
  runtimeQuestion,
  type SeasonOutlook,
  seedsOf,
} from '@levamen/core/study';
import type {
  HelpfulChange,
  LoadGroup,
  OutageRun,
  OutageStudy,
  ReservePoint,
  ShiftOfGroup,
  Simulation,
} from '@levamen/core/study/details';
import type { Remote } from 'comlink';
import { concatMap, firstValueFrom, from, map, type Observable, scan, startWith } from 'rxjs';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';
import { answers, WorkerPool, type PoolProgress } from './worker-pool';
import { WeatherYears } from './weather-years';
import type { FatesOfHours, OutageApi } from '../workers/outage-api';

/** The year is played in stretches, so that progress shows and both workers end at about the same time. */
const stretches = 16;
const hoursOfYear = 8760;
/** Groups of loads that are shown at once, so that the first stand there soon. */
const groupsAtOnce = 12;
/** Of these a worker is asked about so many in one call: a question nobody asks any more is given up between two calls. */
const groupsInCall = 3;
/** Workers that share the years of the brief. */
const briefWorkers = Math.max(1, Math.min(2, navigator.hardwareConcurrency || 2));

/** How outages of a whole year end, as far as they are played. */
export interface YearOfFates {
  readonly survivedMin: Float32Array;
  readonly cause: Uint8Array;
  /** Minutes of the year in which the inverter would trip, nothing being shed. */
  readonly tripMin: number;
}

export interface Progress<T> {
  readonly share: number;
  readonly value: T | null;
}

const newWorker = (): Worker =>
  new Worker(new URL('../workers/outage.worker', import.meta.url), { type: 'module' });

/** Outages of the open job, played in workers. What is subscribed to runs; what is unsubscribed from ends. */
@Injectable()
export class OutageStudies {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly weather = inject(WeatherYears);
  /** Long studies, single outages and those they are compared with do not wait for each other. */
  private readonly long = new WorkerPool<OutageApi>(newWorker);
  private readonly single = new WorkerPool<OutageApi>(newWorker, 1);
  private readonly compared = new WorkerPool<OutageApi>(newWorker, 1);
  /** Each keeps the years it was asked about, so that the next question costs only what has changed. */
  private readonly ofBrief = new WorkerPool<OutageApi>(newWorker, briefWorkers);

  /** What is studied, whatever units are behind it; null while there is nothing to play, or its weather is not here yet. */
  readonly asked = computed((): Omit<OutageStudy, 'parts'> | null => {
    const plan = this.session.studied();
    const rough = this.evaluations.rough();
    if (!plan || !rough || rough.context.backupSet.length === 0) return null;
    const weather = this.weather.year();
    if (plan.outage.weatherId !== null && !weather.ready) return null;
    return { plan, islandId: rough.island?.id ?? '', weather: weather.year };
  });
  /** The same with the units in use. */
  readonly study = computed(
    (): OutageStudy | null => {
      const asked = this.asked();
      const selected = this.evaluations.evaluation()?.selected;
      return asked && selected ? { ...asked, parts: selected.stack.parts } : null;
    },
    { equal: sameStudy },
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      for (const pool of [this.long, this.single, this.compared, this.ofBrief]) pool.end();
    });
  }

  /** One outage, minute by minute; the one that is looked at, or the one beside it. */
  play(
    study: OutageStudy,
    fromMinute: number,
    minutes: number,
    beside = false,
  ): Observable<OutageRun | null> {
    const task = (there: RemoteOutage): Promise<OutageRun | null> => there.play(fromMinute, minutes);
    return this.run(beside ? this.compared : this.single, study, [task], 'keep').pipe(
      answers(),
      map(([run]) => run ?? null),
    );
  }

  /** The outages the brief asks to get through. */
  runtime(study: OutageStudy): Observable<SeasonOutlook | null> {
    const { requiredH, followedMin } = runtimeQuestion(study);
    return this.askYears(study, (there, catalogue, seed) => there.playBrief(study, catalogue, seed)).pipe(
      map((played) => {
        const years = played.filter((year) => year !== null);
        return years.length === 0 ? null : outlookOf(years, requiredH, followedMin);
      }),
    );
  }

  /** How many of them end too early, in parts; those of what does not hold are not all played. */
  tally(study: OutageStudy): Observable<readonly BriefTally[]> {
    return this.askBrief(study, async (there, catalogue, seeds, goesOn) => {
      let sum = noTally;
      for (const seed of seeds) {
        if (!goesOn()) break;
        const { count, short, overloaded } = await there.tallyBrief(study, catalogue, seed, sum);
        sum = {
          count: sum.count + count,
          short: sum.short + short,
          overloaded: sum.overloaded + overloaded,
        };
      }
      return sum;
    });
  }

  /** Simulates variants of a study; what is known of its years is used again. */
  simulationOf({ islandId, weather }: Pick<OutageStudy, 'islandId' | 'weather'>): Simulation {
    const study = (plan: Plan, parts: readonly StackPart[]): OutageStudy => ({
      plan,
      islandId,
      parts,
      weather,
    });
    return {
      outlook: (plan, parts) => firstValueFrom(this.runtime(study(plan, parts))),
      holds: async (plan, parts) => holdsIn(plan, await firstValueFrom(this.tally(study(plan, parts)))),
    };
  }

  /**
   * Hours the runtime changes when groups of loads change their standing, as outages near it go; those that are known so far, the
   * first groups first.
   */
  shifts(study: OutageStudy, groups: readonly LoadGroup[]): Observable<ReadonlyMap<string, number>> {
    const pieces = Array.from({ length: Math.ceil(groups.length / groupsAtOnce) }, (_, index) =>
      groups.slice(index * groupsAtOnce, (index + 1) * groupsAtOnce),
    );
    return from(pieces).pipe(
      concatMap((piece) =>
        this.askYears(study, async (there, catalogue, seed, goesOn) => {
          const shifts: ShiftOfGroup[] = [];
          for (let from = 0; from < piece.length && goesOn(); from += groupsInCall) {
            const some = piece.slice(from, from + groupsInCall);
            shifts.push(...(await there.shiftBrief(study, catalogue, seed, some)));
          }
          return shifts;
        }),
      ),
      scan((known, years) => new Map([...known, ...meanShiftsH(years)]), new Map<string, number>()),
    );
  }

  /** Year by year, so that a question nobody asks any more holds up the next one for a part of a year only. */
  private askYears<T>(
    study: OutageStudy,
    ask: (there: RemoteOutage, catalogue: Catalogue, seed: number, goesOn: () => boolean) => Promise<T>,
  ): Observable<readonly T[]> {
    return this.askBrief(study, async (there, catalogue, seeds, goesOn) => {
      const answers: T[] = [];
      for (const seed of seeds) if (goesOn()) answers.push(await ask(there, catalogue, seed, goesOn));
      return answers;
    }).pipe(map((parts) => ([] as T[]).concat(...parts)));
  }

  /** Each worker is asked about the same years every time. */
  private askBrief<T>(
    study: OutageStudy,
    ask: (
      there: RemoteOutage,
      catalogue: Catalogue,
      seeds: readonly number[],
      goesOn: () => boolean,
    ) => Promise<T>,
  ): Observable<readonly T[]> {
    const catalogue = [...this.evaluations.catalogue()];
    const tasks = Array.from({ length: briefWorkers }, (_, worker) => {
      const seeds = seedsOf(study.plan).filter((__, index) => index % briefWorkers === worker);
      return (there: RemoteOutage, goesOn: () => boolean): Promise<T> => ask(there, catalogue, seeds, goesOn);
    });
    return this.ofBrief.run({}, () => Promise.resolve(), tasks, 'keep').pipe(answers());
  }

  /** An outage from every hour of the year. */
  year(study: OutageStudy): Observable<Progress<YearOfFates>> {
    const tasks = Array.from({ length: stretches }, (_, index) => {
      const from = Math.round((index * hoursOfYear) / stretches);
      const to = Math.round(((index + 1) * hoursOfYear) / stretches);
      return (there: RemoteOutage): Promise<FatesOfHours> => there.fates(from, to - from);
    });
    return this.run(this.long, study, tasks).pipe(
      map(({ done, of, results }) => {
        if (done < of) return { share: done / of, value: null };
        const survivedMin = new Float32Array(hoursOfYear);
        const cause = new Uint8Array(hoursOfYear);
        for (const part of results) {
          survivedMin.set(part!.survivedMin, part!.firstHour);
          cause.set(part!.cause, part!.firstHour);
        }
        const tripMin = results.reduce((sum, part) => sum + part!.tripMin, 0);
        return { share: 1, value: { survivedMin, cause, tripMin } };
      }),
    );
  }

  /** Years of other weather and other switching; for each start charge, for each year, minutes survived. */
  years(
    study: OutageStudy,
    seeds: readonly number[],
    startCharges: readonly number[],
  ): Observable<Progress<readonly (readonly Float32Array[])[]>> {
    const tasks = seeds.map(
      (seed) =>
        (there: RemoteOutage): Promise<readonly Float32Array[]> =>
          there.seed(seed, 3, [...startCharges]),
    );
    return this.run(this.long, study, tasks).pipe(
      map(({ done, of, results }) => ({
        share: done / of,
        value: done < of ? null : startCharges.map((_, charge) => results.map((years) => years![charge]!)),
      })),
    );
  }

  /** The outages the brief asks to get through, as it is and with each change: by the workers that know its years. */
  changes(
    study: OutageStudy,
    changes: readonly HelpfulChange[],
  ): Observable<PoolProgress<SeasonOutlook | null>> {
    const studies: OutageStudy[] = [study, ...changes.map(({ plan, parts }) => ({ ...study, plan, parts }))];
    const of = studies.length;
    const begin: PoolProgress<SeasonOutlook | null> = { done: 0, of, results: [] };
    return from(studies).pipe(
      concatMap((one) => this.runtime(one)),
      scan(({ done, results }, outlook) => ({ done: done + 1, of, results: [...results, outlook] }), begin),
      startWith(begin),
    );
  }

  /** Share of comfort that a design serves, in its first year. */
  comfort(study: OutageStudy): Observable<number | null> {
    return this.askFirst(study, (there, catalogue, seed) => there.comfort(study, catalogue, seed));
  }

  /** When a hard outage of its first year begins, minute of the year. */
  hardStart(study: OutageStudy): Observable<number | null> {
    return this.askFirst(study, (there, catalogue, seed) => there.hard(study, catalogue, seed));
  }

  /** The worker that knows the first year. */
  private askFirst<T>(
    study: OutageStudy,
    ask: (there: RemoteOutage, catalogue: Catalogue, seed: number) => Promise<T | null>,
  ): Observable<T | null> {
    return this.askBrief(study, async (there, catalogue, seeds) =>
      seeds[0] === study.plan.outage.seed ? ask(there, catalogue, seeds[0]) : null,
    ).pipe(map((parts) => parts.find((one) => one !== null) ?? null));
  }

  /** What held-back charge costs and buys. */
  reserve(
    study: OutageStudy,
    shares: readonly number[],
    season: Season,
    requiredH: number,
  ): Observable<Progress<readonly ReservePoint[]>> {
    const tasks = shares.map(
      (share) =>
        (there: RemoteOutage): Promise<ReservePoint | null> =>
          there.reserve(share, season, requiredH),
    );
    return this.run(this.long, study, tasks).pipe(
      map(({ done, of, results }) => ({
        share: done / of,
        value: done < of ? null : results.flatMap((point) => (point ? [point] : [])),
      })),
    );
  }

  private run<T>(
    pool: WorkerPool<OutageApi>,
    study: OutageStudy,
    tasks: readonly ((there: RemoteOutage) => Promise<T>)[],
    whenGivenUp: 'end' | 'keep' = 'end',
  ): Observable<PoolProgress<T>> {
    const catalogue = [...this.evaluations.catalogue()];
    return pool.run(study, (there) => there.prepare(study, catalogue), tasks, whenGivenUp);
  }
}

type RemoteOutage = Remote<OutageApi>;

const sameStudy = (a: OutageStudy | null, b: OutageStudy | null): boolean =>
  a === b ||
  (a !== null &&
    b !== null &&
    a.plan === b.plan &&
    a.islandId === b.islandId &&
    a.weather === b.weather &&
    JSON.stringify(a.parts) === JSON.stringify(b.parts));

/** The mean over the outages of all years, h, by group. */
function meanShiftsH(years: readonly (readonly ShiftOfGroup[])[]): [string, number][] {
  return (years[0] ?? []).map(({ id }, place) => {
    const all = years.flatMap((groups) => [...groups[place]!.longerMin]);
    const sum = all.reduce((total, minutes) => total + minutes, 0);
    return [id, all.length === 0 ? 0 : sum / all.length / 60];
  });
}
