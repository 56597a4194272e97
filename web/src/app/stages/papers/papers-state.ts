import { computed, inject, Injectable, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { isAmerican } from '@levamen/core/electric';
import type { Job } from '@levamen/core/job';
import {
  type Language,
  type PaperKind,
  paperParts,
  type PaperRequest,
  type SheetSize,
} from '@levamen/core/papers';
import {
  catchError,
  debounceTime,
  defer,
  from,
  map,
  type Observable,
  of,
  scan,
  startWith,
  switchMap,
} from 'rxjs';
import { JobSession } from '../../data/job-session';
import { problemText } from '../../data/jobs-api';
import { PapersApi } from '../../data/papers-api';
import { makePaper, type Making } from './made-paper';

/** A paper is made again so long after the last change, ms. */
const settleMs = 500;

/** The paper that is looked at. */
export interface Draft {
  /** The newest that was made; null = none yet. */
  readonly file: Blob | null;
  /** What is being made now; null = nothing: the file is up to date. */
  readonly making: Making['order'] | null;
  /** What nobody has entered yet. */
  readonly missing: Making['order']['missing'];
  readonly problem: string;
}

interface Wish {
  readonly job: Job;
  readonly jobId: string;
  readonly request: PaperRequest;
}

const nothing: Draft = { file: null, making: null, missing: [], problem: '' };
const notSaved =
  'The job is not saved yet, and papers are made by the server: they come as soon as it has the last edits.';

/** Which paper is looked at, with what in it, and the draft of it. */
@Injectable()
export class PapersState {
  private readonly session = inject(JobSession);
  private readonly api = inject(PapersApi);

  readonly kind = signal<PaperKind>('proposal');
  private readonly american = computed(() => {
    const plan = this.session.plan();
    return plan !== null && isAmerican(plan.supply.system);
  });
  readonly sheet = linkedSignal<SheetSize>(() => (this.american() ? 'letter' : 'a4'));
  readonly language = signal<Language>('en');
  /** Designs of a proposal: the one that is looked at, until others are chosen. */
  private readonly chosenDesigns = signal<readonly string[] | null>(null);
  private readonly left = signal<Readonly<Partial<Record<PaperKind, readonly string[]>>>>({});

  readonly designs = computed(() =>
    (this.session.job()?.designs ?? []).map(({ id, name }) => ({ id, name })),
  );
  readonly designIds = computed((): readonly string[] => {
    const there = this.designs().map(({ id }) => id);
    const chosen = (this.chosenDesigns() ?? []).filter((id) => there.includes(id));
    return this.kind() === 'proposal' && chosen.length > 0 ? chosen : [this.session.designId()];
  });
  /** Parts of the paper, each in it or left out. */
  readonly parts = computed(() => {
    const without = this.left()[this.kind()] ?? [];
    return paperParts[this.kind()].map((id) => ({ id, isIn: !without.includes(id) }));
  });
  readonly request = computed((): PaperRequest => ({
    kind: this.kind(),
    sheet: this.sheet(),
    language: this.language(),
    designIds: [...this.designIds()],
    without: this.parts()
      .filter(({ isIn }) => !isIn)
      .map(({ id }) => id),
  }));

  private readonly again = signal(0);
  private readonly wish = computed((): (Wish & { again: number }) | null => {
    const job = this.session.job();
    return job && { job, jobId: this.session.id(), request: this.request(), again: this.again() };
  });
  readonly draft = toSignal(
    toObservable(this.wish).pipe(
      debounceTime(settleMs),
      switchMap((wish) =>
        wish === null
          ? of<Partial<Draft>>(nothing)
          : this.make(wish).pipe(startWith<Partial<Draft>>({ problem: '' })),
      ),
      scan((now: Draft, next) => ({ ...now, ...next }), nothing),
    ),
    { initialValue: nothing },
  );

  /** Tries once more what has failed. */
  tryAgain(): void {
    this.again.update((count) => count + 1);
  }

  take(partId: string, isIn: boolean): void {
    const kind = this.kind();
    this.left.update((all) => {
      const before = (all[kind] ?? []).filter((id) => id !== partId);
      return { ...all, [kind]: isIn ? before : [...before, partId] };
    });
  }

  /** Takes a design into the proposal, or out of it: one at least, three at most. */
  showDesign(designId: string, isIn: boolean): void {
    const now = this.designIds();
    const next = isIn ? [...now, designId] : now.filter((id) => id !== designId);
    if (next.length > 0 && next.length <= 3) this.chosenDesigns.set(next);
  }

  private make({ jobId, request }: Wish): Observable<Partial<Draft>> {
    return defer(() => from(this.session.saveNow())).pipe(
      switchMap((isSaved) =>
        isSaved
          ? makePaper(this.api, jobId, {
              request,
              format: 'pdf',
              issue: null,
              jobRevision: this.session.revision(),
            })
          : of(null),
      ),
      map((made): Partial<Draft> => {
        if (made === null) return { making: null, problem: notSaved };
        const { order, file } = made;
        if (order.state === 'failed') return { making: null, problem: order.says };
        return file ? { file, making: null, missing: order.missing } : { making: order };
      }),
      catchError((error: unknown) => of<Partial<Draft>>({ making: null, problem: problemText(error) })),
    );
  }
}
