import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { type LiveEvent, liveEventSchema, type Present } from '@levamen/core/api';
import {
  combineLatest,
  debounce,
  distinctUntilChanged,
  fromEvent,
  map,
  merge,
  type Observable,
  of,
  startWith,
  Subject,
  switchMap,
  timer,
} from 'rxjs';
import { Identity } from '../data/identity';
import { JobSession } from '../data/job-session';
import { serverEvents } from '../data/server-events';

/** A window that nobody looks at lets go after this, ms: browsers keep few lines open at once. */
const hiddenMs = 20_000;
/** Where the server closed the line for good, it is asked again after this, ms. */
const againMs = 15_000;
/** Nobody is disturbed while he types: what others did waits until he has paused for so long, ms. */
const pauseMs = 1500;

/** Who else has the open job open, and what they save: taken in as it comes. */
@Injectable()
export class LiveJob {
  private readonly session = inject(JobSession);
  private readonly identity = inject(Identity);
  private readonly window = crypto.randomUUID();
  private readonly saved = new Subject<number>();

  /** The others, in the order in which they came. */
  readonly others = signal<readonly Present[]>([]);

  constructor() {
    const isSeen = fromEvent(document, 'visibilitychange').pipe(
      startWith(null),
      map(() => document.visibilityState === 'visible'),
      debounce((seen) => (seen ? of(0) : timer(hiddenMs))),
      distinctUntilChanged(),
    );
    combineLatest([toObservable(this.session.id), isSeen])
      .pipe(
        switchMap(([id, seen]) => (id === '' || !seen ? of(null) : this.events(id))),
        takeUntilDestroyed(),
      )
      .subscribe((event) => this.take(event));
    const typed = merge(fromEvent(document, 'input'), fromEvent(document, 'compositionupdate')).pipe(
      map(() => Date.now()),
      startWith(0),
    );
    combineLatest([this.saved, typed])
      .pipe(
        debounce(([, at]) => timer(Math.max(0, at + pauseMs - Date.now()))),
        map(([revision]) => revision),
        distinctUntilChanged(),
        takeUntilDestroyed(),
      )
      .subscribe((revision) => this.session.hearOf(revision));
  }

  private take(event: LiveEvent | null): void {
    if (event === null) this.others.set([]);
    else if (event.kind !== 'present') this.saved.next(event.revision);
    else this.others.set(event.people.filter(({ window }) => window !== this.window));
  }

  private events(jobId: string): Observable<LiveEvent | null> {
    const { actor, device } = this.identity.who();
    const query = new URLSearchParams({ window: this.window, actor, device });
    // Where the line is down, who is there is not known any more.
    return serverEvents(`/api/jobs/${jobId}/live?${query.toString()}`, liveEventSchema, againMs);
  }
}
