import { inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { WeatherYear } from '@levamen/core/nature';
import { catchError, distinctUntilChanged, map, of, startWith, switchMap, type Observable } from 'rxjs';
import { JobSession } from './job-session';
import { JobsApi } from './jobs-api';

/** The year of weather that the open job names. */
export interface NamedWeather {
  /** False while it is fetched. */
  readonly ready: boolean;
  /** null where the job names none, or it cannot be had. */
  readonly year: WeatherYear | null;
  readonly problem: string;
}

const none: NamedWeather = { ready: true, year: null, problem: '' };

/** Years of weather that were read from files; kept by the server, fetched when a job names one. */
@Injectable()
export class WeatherYears {
  private readonly session = inject(JobSession);
  private readonly api = inject(JobsApi);

  readonly year = toSignal(
    toObservable(this.session.job).pipe(
      map((job) => job?.outage.weatherId ?? null),
      distinctUntilChanged(),
      switchMap((id): Observable<NamedWeather> => {
        if (id === null) return of(none);
        return this.api.weather(id).pipe(
          map((year): NamedWeather => ({ ready: true, year, problem: '' })),
          catchError(() =>
            of({
              ready: true,
              year: null,
              problem:
                'The weather file this job names is not on this server; the climate is used instead. Read the file again.',
            }),
          ),
          startWith({ ready: false, year: null, problem: '' }),
        );
      }),
    ),
    { initialValue: none },
  );
}
