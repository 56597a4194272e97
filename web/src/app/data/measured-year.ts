import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { MeasuredYear } from '@levamen/core/house/details';
import { calendarYear } from '@levamen/core/study/details';
import { catchError, from, map, type Observable, of, startWith, switchMap } from 'rxjs';
import { JobSession } from './job-session';
import { MeterData } from './meter-data';

/** What the meter of the open job measured, as a year. */
@Injectable()
export class MeasuredYearOfJob {
  private readonly session = inject(JobSession);
  private readonly meter = inject(MeterData);
  private readonly setId = computed(() => this.session.plan()?.usage.measurement?.setId ?? null);

  /** null while it is fetched. */
  readonly found = toSignal(
    toObservable(this.setId).pipe(
      switchMap((setId): Observable<{ readonly year: MeasuredYear | null } | null> => {
        if (setId === null) return of({ year: null });
        return from(this.meter.year(this.session.id(), setId, calendarYear)).pipe(
          map((year) => ({ year })),
          // Without them the bills say how much it is.
          catchError(() => of({ year: null })),
          startWith(null),
        );
      }),
    ),
    { initialValue: null },
  );
}
