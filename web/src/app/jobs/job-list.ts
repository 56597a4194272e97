import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  type JobPage,
  type JobQuery,
  jobQuerySchema,
  type JobSort,
  jobsPerPage,
  type JobSummary,
} from '@levamen/core/api';
import { courseStateNames, courseStates, waitsFor } from '@levamen/core/house';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import {
  catchError,
  combineLatest,
  debounceTime,
  EMPTY,
  from,
  of,
  startWith,
  Subject,
  switchMap,
  type Observable,
} from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';
import { Savers } from '../data/savers';
import { TakeAlong } from '../field/take-along';
import { GivenTo } from '../people/given-to';
import { SignedIn } from '../people/session';
import { localDay } from '../ui/local-day';

const searchMs = 200;
const firstQuery: JobQuery = jobQuerySchema.parse({});

/** What a click on a column does first: names rise, days and counts fall. */
const firstOrder: Readonly<Record<JobSort, JobQuery['order']>> = {
  changed: 'down',
  loads: 'down',
  name: 'up',
  place: 'up',
  due: 'up',
};

/** The jobs, a page at a time; the bin behind them. */
@Component({
  selector: 'lv-job-list',
  imports: [Button, DatePipe, FormsModule, GivenTo, InputText, RouterLink, TakeAlong],
  templateUrl: './job-list.html',
  styleUrl: './job-list.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobList {
  private readonly api = inject(JobsApi);
  private readonly savers = inject(Savers);
  private readonly signed = inject(SignedIn);
  protected readonly mayDesign = this.signed.mayDesign;
  /** Where there are accounts. */
  protected readonly mayGive = computed(
    () => this.signed.may('designer') && this.signed.who()?.automatic === false,
  );

  private readonly reload = new Subject<void>();
  protected readonly query = signal(firstQuery);
  protected readonly error = signal('');
  /** Jobs that were deleted on this page: their rows stay where they are, with the way back. */
  protected readonly deleted = signal<ReadonlyMap<string, JobSummary>>(new Map());
  /** The job of the bin that is asked about before it goes for good. */
  protected readonly asked = signal('');
  protected readonly columns: readonly {
    readonly sort: JobSort;
    readonly title: string;
    readonly isNumber: boolean;
  }[] = [
    { sort: 'name', title: 'Job', isNumber: false },
    { sort: 'place', title: 'Place', isNumber: false },
    { sort: 'loads', title: 'Loads', isNumber: true },
    { sort: 'due', title: 'Due', isNumber: false },
    { sort: 'changed', title: 'Changed', isNumber: false },
  ];

  protected readonly found = toSignal(
    combineLatest([
      toObservable(this.query).pipe(debounceTime(searchMs), startWith(firstQuery)),
      this.reload.pipe(startWith(undefined)),
    ]).pipe(
      switchMap(() =>
        // What was typed in a job that was just left is on its way: the list waits for it.
        from(this.savers.settled()).pipe(
          switchMap(() => this.api.list(this.query())),
          catchError((error: unknown) => this.fail(error)),
        ),
      ),
      takeUntilDestroyed(),
    ),
  );
  private readonly storage = toSignal(
    combineLatest([toObservable(this.query), this.reload.pipe(startWith(undefined))]).pipe(
      switchMap(([{ bin }]) => (bin ? this.api.storage().pipe(catchError(() => of(null))) : of(null))),
    ),
  );
  /** What lies in the bin takes room until it is removed for good. */
  protected readonly binText = computed(() => {
    const found = this.storage();
    if (!found) return '';
    const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;
    return `Readings that only jobs in the bin have take ${megabytes(found.binBlobBytes)}, all readings ${megabytes(found.blobBytes)}, all saved states of all jobs ${megabytes(found.revisionBytes)}.`;
  });
  protected readonly rows = computed(() => {
    const page = this.found();
    if (!page) return null;
    const today = localDay(new Date());
    return page.rows.map((job) => ({
      job,
      isDeleted: this.deleted().has(job.id),
      isLate: job.due !== null && job.due.on < today,
      state: job.state === null ? '' : courseStates[job.state],
      waitsFor: waitsFor[job.state ?? 'none'],
    }));
  });
  protected readonly pages = computed(() => Math.max(1, Math.ceil((this.found()?.total ?? 0) / jobsPerPage)));
  protected readonly pageText = computed(() => {
    const page = this.found();
    return page ? rangeText(page) : '';
  });

  protected search(text: string): void {
    this.query.update((query) => ({ ...query, search: text.trim().slice(0, 120), page: 1 }));
  }

  protected sortBy(sort: JobSort): void {
    this.query.update((query) => ({
      ...query,
      sort,
      order: query.sort === sort ? (query.order === 'up' ? 'down' : 'up') : firstOrder[sort],
      page: 1,
    }));
  }

  protected ariaSort(sort: JobSort): 'ascending' | 'descending' | null {
    const query = this.query();
    if (query.sort !== sort) return null;
    return query.order === 'up' ? 'ascending' : 'descending';
  }

  /** States that have jobs, in the order of the work, with how many. */
  protected readonly states = computed(() => {
    const counts = new Map((this.found()?.states ?? []).map(({ state, count }) => [state, count]));
    const all = [...counts.values()].reduce((sum, count) => sum + count, 0);
    const named = courseStateNames.flatMap((state) =>
      counts.has(state) ? [{ value: state, label: `${courseStates[state]} (${counts.get(state)})` }] : [],
    );
    const none = counts.get(null);
    return [
      { value: '' as const, label: `All states (${all})` },
      ...(none === undefined ? [] : [{ value: 'none' as const, label: `None reached yet (${none})` }]),
      ...named,
    ];
  });

  protected inState(state: unknown): void {
    const known = this.states().find(({ value }) => value === state);
    if (known) this.query.update((query) => ({ ...query, state: known.value, page: 1 }));
  }

  protected turn(by: number): void {
    this.query.update((query) => ({ ...query, page: query.page + by }));
  }

  protected showBin(bin: boolean): void {
    this.deleted.set(new Map());
    this.query.set({ ...firstQuery, bin });
  }

  protected duplicate(job: JobSummary): void {
    this.then(this.api.duplicate(job.id), () => this.reload.next());
  }

  /** The row stays until the list is asked for again, so that the way back is where the finger is. */
  protected delete(job: JobSummary): void {
    this.then(this.api.delete(job.id), () => {
      // Somebody may look at the bin by now.
      if (this.query().bin) this.reload.next();
      else this.deleted.update((all) => new Map(all).set(job.id, job));
    });
  }

  protected bringBack(job: JobSummary): void {
    this.then(this.api.restore(job.id), () => {
      this.deleted.update((all) => new Map([...all].filter(([id]) => id !== job.id)));
      this.reload.next();
    });
  }

  protected purge(job: JobSummary): void {
    this.asked.set('');
    this.then(this.api.purge(job.id), () => this.reload.next());
  }

  private then(work: Observable<unknown>, done: () => void): void {
    this.error.set('');
    work.pipe(catchError((error: unknown) => this.fail(error))).subscribe(done);
  }

  private fail(error: unknown): Observable<never> {
    this.error.set(problemText(error));
    return EMPTY;
  }
}

function rangeText({ total, page, rows }: JobPage): string {
  if (rows.length === 0) return '';
  const from = (page - 1) * jobsPerPage + 1;
  return total <= jobsPerPage
    ? `${total} ${total === 1 ? 'job' : 'jobs'}`
    : `${from} to ${from + rows.length - 1} of ${total}`;
}
