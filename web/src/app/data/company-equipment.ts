import { inject, Injectable } from '@angular/core';
import type { EquipmentList } from '@levamen/core/api';
import { catchError, type Observable, of, retry, shareReplay, tap, throwError } from 'rxjs';
import { JobsApi } from './jobs-api';

/** Revisions of the company's equipment. One that was fetched never changes, and is fetched once. */
@Injectable({ providedIn: 'root' })
export class CompanyEquipment {
  private readonly api = inject(JobsApi);
  private readonly known = new Map<number, Observable<EquipmentList>>();

  /** The list as it was at a revision; asked again and again while the server is away. */
  at(revision: number): Observable<EquipmentList> {
    const before = this.known.get(revision);
    if (before) return before;
    const asked = this.api.equipment(revision).pipe(
      retry({ delay: 2000, count: 5 }),
      catchError((error: unknown) => {
        this.known.delete(revision);
        return throwError(() => error);
      }),
      shareReplay(1),
    );
    this.known.set(revision, asked);
    return asked;
  }

  /** The list as it is now. */
  latest(): Observable<EquipmentList> {
    return this.api.equipment().pipe(tap((list) => this.know(list)));
  }

  /** Keeps what a change answered with. */
  know(list: EquipmentList): void {
    const { revision } = list;
    if (this.known.has(revision)) return;
    this.known.set(revision, of(list));
  }
}
