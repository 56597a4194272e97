import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type HousesDue,
  housesDueSchema,
  type HousesRun,
  type HousesRunAnswers,
  housesRunAnswersSchema,
  housesRunListSchema,
  housesRunSchema,
} from '@levamen/core/api';
import type { HousesQuestion } from '@levamen/core/logbook';
import type { Observable } from 'rxjs';
import { parsed } from '../data/parsed';

/** What is asked of all houses; answers are validated. */
@Injectable({ providedIn: 'root' })
export class HousesApi {
  private readonly http = inject(HttpClient);

  runs(): Observable<HousesRun[]> {
    return this.http.get('/api/houses/runs').pipe(parsed(housesRunListSchema));
  }

  run(id: string): Observable<HousesRunAnswers> {
    return this.http.get(`/api/houses/runs/${id}`).pipe(parsed(housesRunAnswersSchema));
  }

  ask(question: HousesQuestion): Observable<HousesRun> {
    return this.http.post('/api/houses/runs', question).pipe(parsed(housesRunSchema));
  }

  cancel(id: string): Observable<unknown> {
    return this.http.post(`/api/houses/runs/${id}/cancel`, {});
  }

  due(until: string): Observable<HousesDue> {
    return this.http.get('/api/houses/due', { params: { until } }).pipe(parsed(housesDueSchema));
  }
}
