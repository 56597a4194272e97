import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { WeatherYear } from '@levamen/core/nature';
import { type Job, jobVersion } from '@levamen/core/job';
import {
  type CompanyRules,
  type CompanyRulesChange,
  companyRulesSchema,
  type EquipmentChange,
  type EquipmentList,
  equipmentListSchema,
  type EquipmentRevision,
  equipmentRevisionsSchema,
  formatHeader,
  type ItemHistory,
  itemHistorySchema,
  type Health,
  healthSchema,
  type JobPage,
  jobPageSchema,
  type JobQuery,
  patchMisfit,
  problemSchema,
  readingSetListSchema,
  type RevisionEntry,
  revisionListSchema,
  type SavedJob,
  savedJobSchema,
  type SavedReadingSet,
  savedReadingSetSchema,
  type SavedWeather,
  savedWeatherListSchema,
  savedWeatherSchema,
  type SaveResult,
  saveResultSchema,
  type Storage,
  storageSchema,
  tableSchema,
  tokenHeader,
  type UnreadableJob,
  unreadableJobSchema,
  weatherHoursSchema,
  weatherYearOf,
  xlsxType,
} from '@levamen/core/api';
import { compare } from 'fast-json-patch';
import { catchError, map, of, throwError, type Observable } from 'rxjs';
import { SignedIn } from '../people/session';
import { Identity } from './identity';
import { parsed } from './parsed';

/** More changes than these are shorter said as a whole. */
const maxOperations = 400;

/** A save as it goes over the wire. Repeating one with the same `saveId` is harmless. */
export interface SaveAttempt {
  readonly baseRevision: number;
  readonly saveId: string;
  /** Earlier saves that got no answer. */
  readonly supersedes: readonly string[];
  /** The document of the base revision, where what is different is enough; null = the whole document is sent. */
  readonly base: Job | null;
  readonly document: Job;
}

/** The server's API; answers are validated. */
@Injectable({ providedIn: 'root' })
export class JobsApi {
  private readonly http = inject(HttpClient);
  private readonly identity = inject(Identity);
  private readonly signed = inject(SignedIn);

  /** One page of the jobs, or of the bin. */
  list(query: JobQuery): Observable<JobPage> {
    return this.http.get('/api/jobs', { params: { ...query } }).pipe(parsed(jobPageSchema));
  }

  health(): Observable<Health> {
    return this.http.get('/api/health').pipe(parsed(healthSchema));
  }

  storage(): Observable<Storage> {
    return this.http.get('/api/storage').pipe(parsed(storageSchema));
  }

  read(id: string): Observable<SavedJob> {
    return this.http.get(`/api/jobs/${id}`).pipe(parsed(savedJobSchema));
  }

  create(document: Job): Observable<SavedJob> {
    return this.http.post('/api/jobs', { document }).pipe(parsed(savedJobSchema));
  }

  import(document: unknown): Observable<SavedJob> {
    return this.http.post('/api/jobs/import', document).pipe(parsed(savedJobSchema));
  }

  duplicate(id: string): Observable<SavedJob> {
    return this.http.post(`/api/jobs/${id}/duplicate`, {}).pipe(parsed(savedJobSchema));
  }

  delete(id: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${id}`);
  }

  /** Removes a job of the bin for good. */
  purge(id: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${id}/purge`);
  }

  /** Revisions before a certain one, newest first. */
  revisions(id: string, before?: number): Observable<RevisionEntry[]> {
    return this.http
      .get(`/api/jobs/${id}/revisions`, { params: before === undefined ? {} : { before } })
      .pipe(parsed(revisionListSchema));
  }

  revision(id: string, revision: number): Observable<SavedJob> {
    return this.http.get(`/api/jobs/${id}/revisions/${revision}`).pipe(parsed(savedJobSchema));
  }

  restore(id: string): Observable<SavedJob> {
    return this.http.post(`/api/jobs/${id}/restore`, {}).pipe(parsed(savedJobSchema));
  }

  save(id: string, attempt: SaveAttempt): Observable<SaveResult> {
    return this.http.put(`/api/jobs/${id}`, bodyOf(attempt)).pipe(parsed(saveResultSchema));
  }

  /** A save that outlives the page; nobody waits for its answer, and repeating it later is harmless. */
  saveWhileLeaving(id: string, attempt: SaveAttempt): void {
    fetch(`/api/jobs/${id}`, {
      method: 'PUT',
      keepalive: true,
      headers: {
        'content-type': 'application/json',
        ...this.identity.headers(),
        [tokenHeader]: this.signed.who()?.token ?? '',
        [formatHeader]: String(jobVersion),
      },
      body: JSON.stringify(bodyOf(attempt)),
    }).catch(() => undefined);
  }

  /** The cells of the first sheet of an XLSX file, as text. */
  readTable(file: Blob): Observable<string[][]> {
    return this.http
      .post('/api/tables', file, { headers: { 'content-type': xlsxType } })
      .pipe(parsed(tableSchema));
  }

  readingSets(jobId: string): Observable<SavedReadingSet[]> {
    return this.http.get(`/api/jobs/${jobId}/readings`).pipe(parsed(readingSetListSchema));
  }

  /** One set of readings; null where the job has none of that id. */
  readingSet(jobId: string, setId: string): Observable<SavedReadingSet | null> {
    return this.http.get(`/api/jobs/${jobId}/readings/${setId}`).pipe(
      parsed(savedReadingSetSchema),
      catchError((error: unknown) =>
        error instanceof HttpErrorResponse && error.status === 404 ? of(null) : throwError(() => error),
      ),
    );
  }

  removeReadings(jobId: string, setId: string): Observable<unknown> {
    return this.http.delete(`/api/jobs/${jobId}/readings/${setId}`);
  }

  /** Keeps a photo of a job under the digest of its bytes. */
  putPhoto(photo: {
    readonly jobId: string;
    readonly digest: string;
    readonly bytes: Blob;
  }): Observable<unknown> {
    return this.http.put(`/api/jobs/${photo.jobId}/photos/${photo.digest}`, photo.bytes, {
      headers: { 'content-type': 'image/jpeg' },
    });
  }

  /** Years of weather that were read from files. */
  weatherList(): Observable<SavedWeather[]> {
    return this.http.get('/api/weather').pipe(parsed(savedWeatherListSchema));
  }

  weather(id: string): Observable<WeatherYear> {
    return this.http.get(`/api/weather/${id}`).pipe(parsed(weatherHoursSchema), map(weatherYearOf));
  }

  /** Reads an EPW or TMY3 file; the server answers with its first wrong line where it is none. */
  readWeather(file: Blob): Observable<SavedWeather> {
    return this.http
      .post('/api/weather', file, { headers: { 'content-type': 'text/csv' } })
      .pipe(parsed(savedWeatherSchema));
  }

  /** The company's equipment at a revision of its list, or as it is now. */
  equipment(revision?: number): Observable<EquipmentList> {
    return this.http
      .get('/api/equipment', { params: revision === undefined ? {} : { revision } })
      .pipe(parsed(equipmentListSchema));
  }

  changeEquipment(change: EquipmentChange): Observable<EquipmentList> {
    return this.http.put('/api/equipment', change).pipe(parsed(equipmentListSchema));
  }

  /** The rules the company adds to the code. */
  companyRules(): Observable<CompanyRules> {
    return this.http.get('/api/rules').pipe(parsed(companyRulesSchema));
  }

  keepRules(change: CompanyRulesChange): Observable<CompanyRules> {
    return this.http.put('/api/rules', change).pipe(parsed(companyRulesSchema));
  }

  equipmentRevisions(): Observable<EquipmentRevision[]> {
    return this.http.get('/api/equipment/revisions').pipe(parsed(equipmentRevisionsSchema));
  }

  itemHistory(itemId: string): Observable<ItemHistory> {
    return this.http.get(`/api/equipment/items/${itemId}/history`).pipe(parsed(itemHistorySchema));
  }
}

/** What goes over the wire: a few hundred bytes where a field changed, the document where that is shorter. */
export function bodyOf({ base, document, ...attempt }: SaveAttempt): object {
  const patch = base ? compare(base, document) : [];
  return base && patch.length <= maxOperations ? { ...attempt, patch } : { ...attempt, document };
}

/** The server asks for the whole document. */
export const wantsWhole = (error: unknown): boolean =>
  error instanceof HttpErrorResponse &&
  error.status === 422 &&
  (error.error as { title?: unknown } | null)?.title === patchMisfit;

/** What went wrong, in words for the user. */
export function problemText(error: unknown): string {
  if (!(error instanceof HttpErrorResponse)) return 'Something unexpected happened. Reload the page.';
  if (error.status === 0) return 'The server does not answer. Check that Levamen is running.';
  const problem = problemSchema
    .partial()
    .loose()
    .safeParse(typeof error.error === 'string' ? tryJson(error.error) : error.error);
  const data = problem.success ? problem.data : {};
  const where = data.problems?.[0];
  const detail = data.detail ?? `The server answered ${error.status}.`;
  return where && where.path !== '' && where.path !== 'format' && where.path !== 'version'
    ? `${detail} (at ${where.path})`
    : detail;
}

/** What the server says of a job that it keeps and cannot read; null = something else went wrong. */
export function unreadableJob(error: unknown): UnreadableJob | null {
  if (!(error instanceof HttpErrorResponse) || error.status !== 422) return null;
  const body = unreadableJobSchema.safeParse(
    typeof error.error === 'string' ? tryJson(error.error) : error.error,
  );
  return body.success ? body.data : null;
}

function tryJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
}
