import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { LearnedHouse } from '@levamen/core/papers';
import { catchError, map, of } from 'rxjs';
import { PapersApi } from './papers-api';

/** What the houses of the company taught; none without the server. Called where services may be injected. */
export const learnedHouses = (): Signal<readonly LearnedHouse[]> =>
  toSignal(
    inject(PapersApi)
      .companySheet()
      .pipe(
        map(({ sheet }) => sheet.learned),
        catchError(() => of([])),
      ),
    { initialValue: [] },
  );
