import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  type KeptTrainingRun,
  type NewTrainingRun,
  trainingRunSchema,
  trainingRunsSchema,
} from '@levamen/core/api';
import type { Observable } from 'rxjs';
import { parsed } from './parsed';

/** How people did at training; answers are validated. */
@Injectable({ providedIn: 'root' })
export class TrainingResults {
  private readonly http = inject(HttpClient);

  list(): Observable<KeptTrainingRun[]> {
    return this.http.get('/api/training-runs').pipe(parsed(trainingRunsSchema));
  }

  keep(result: NewTrainingRun): Observable<KeptTrainingRun> {
    return this.http.post('/api/training-runs', result).pipe(parsed(trainingRunSchema));
  }
}
