import { computed, DestroyRef, inject, Injectable } from '@angular/core';
import type { Season } from '@levamen/core/nature';
import type { HelpfulChange, OutageRun, OutageStudy, ReservePoint, SeasonOutlook } from '@levamen/core/study';
import type { Remote } from 'comlink';
import { filter, map, type Observable } from 'rxjs';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';
import { WorkerPool, type PoolProgress } from './worker-pool';
import { WeatherYears } from './weather-years';
import type { FatesOfHours, OutageApi } from '../workers/outage-api';

/** The year is played in stretches, so that progress shows and both workers end at about the same time. */
const stretches = 16;
const hoursOfYear = 8760;

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
  private readonly ofBrief = new WorkerPool<OutageApi>(newWorker, 1);

  /** What is studied; null while there is nothing to play, or its weather is not here yet. */
  readonly study = computed((): OutageStudy | null => {
    const plan = this.session.plan();
    const evaluation = this.evaluations.evaluation();
    const selected = evaluation?.selected;
    if (!plan || !selected || evaluation.context.backupSet.length === 0) return null;
    const weather = this.weather.year();
    if (plan.outage.weatherId !== null && !weather.ready) return null;
    const islandId = evaluation.island?.id ?? '';
    return { plan, islandId, parts: selected.stack.parts, weather: weather.year };
  });

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
      filter(({ done, of }) => done === of),
      map(({ results }) => results[0] ?? null),
    );
  }

  /** The outages the brief asks to get through. */
  runtime(study: OutageStudy): Observable<SeasonOutlook | null> {
    const catalogue = [...this.evaluations.catalogue()];
    const task = (there: RemoteOutage): Promise<SeasonOutlook | null> => there.runtime(study, catalogue);
    return this.ofBrief
      .run(study, () => Promise.resolve(), [task], 'keep')
      .pipe(
        filter(({ done, of }) => done === of),
        map(({ results }) => results[0] ?? null),
      );
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

  /** The season as it is, and with each change. */
  changes(
    study: OutageStudy,
    changes: readonly HelpfulChange[],
    season: Season,
    requiredH: number,
  ): Observable<PoolProgress<SeasonOutlook | null>> {
    const catalogue = [...this.evaluations.catalogue()];
    const studies: OutageStudy[] = [study, ...changes.map(({ plan, parts }) => ({ ...study, plan, parts }))];
    const tasks = studies.map((one) => async (there: RemoteOutage): Promise<SeasonOutlook | null> => {
      await there.prepare(one, catalogue);
      return there.outlook(season, { everyH: 3, requiredH });
    });
    // Each task prepares its own year, so the key is one that nothing else has.
    return this.long.run({}, () => Promise.resolve(), tasks);
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
