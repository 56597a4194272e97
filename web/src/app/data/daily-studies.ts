import { DestroyRef, inject, Injectable } from '@angular/core';
import { map, type Observable } from 'rxjs';
import type { DailyAnswer, DailyApi, DailyAsked, DailyBeside } from '../workers/daily-api';
import { EvaluationService } from './evaluation';
import { answers, WorkerPool } from './worker-pool';

/** Age at which the second battery of an answer stands: what is saved in between lies on a straight line. */
const agedYears = 10;

/** Years with the grid there, played in a worker. What is subscribed to runs. */
@Injectable()
export class DailyStudies {
  private readonly evaluations = inject(EvaluationService);
  private readonly pool = new WorkerPool<DailyApi>(
    () => new Worker(new URL('../workers/daily.worker', import.meta.url), { type: 'module' }),
    1,
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.pool.end());
  }

  year(asked: DailyAsked): Observable<DailyAnswer> {
    return this.ask((there, catalogue) => there.year(asked, catalogue, agedYears));
  }

  /** The same with other strategies and other facings. */
  beside(asked: DailyAsked): Observable<DailyBeside> {
    return this.ask((there, catalogue) => there.beside(asked, catalogue));
  }

  private ask<T>(
    of: (
      there: Parameters<Parameters<typeof this.pool.run>[1]>[0],
      catalogue: Parameters<DailyApi['year']>[1],
    ) => Promise<T>,
  ): Observable<T> {
    const catalogue = [...this.evaluations.catalogue()];
    return this.pool
      .run<T>({}, () => Promise.resolve(), [(there) => of(there, catalogue)], 'keep')
      .pipe(
        answers(),
        map(([answer]) => answer!),
      );
  }
}
