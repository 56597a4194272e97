import { computed, DestroyRef, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { sameBut } from '@levamen/core/base';
import type { Plan } from '@levamen/core/design';
import { type Remote, wrap } from 'comlink';
import { catchError, debounceTime, filter, from, map, of, startWith, switchMap, timer } from 'rxjs';
import type { WiringAnswer, WiringApi } from '../workers/wiring-api';
import { chosenStacks } from './chosen-stacks';
import { JobSession } from './job-session';

/** After an edit, and after a job is opened: the margins come first. */
const settleMs = 150;
const firstMs = 1500;

interface Answered {
  /** The last answer; null = none yet. */
  readonly answer: WiringAnswer | null;
  readonly problem: string;
}

const sameButNudges = (one: Plan | null, other: Plan | null): boolean =>
  one === other ||
  (one !== null &&
    other !== null &&
    sameBut(one, other, ['wiring']) &&
    sameBut(one.wiring, other.wiring, ['nudges']));

/** The wiring of the open design, derived and judged in a worker after every edit. */
@Injectable()
export class WiringStudies {
  private readonly session = inject(JobSession);
  private made: { worker: Worker; remote: Remote<WiringApi> } | null = null;

  /** What is moved on the drawing wires nothing anew. */
  private readonly wired = computed(() => this.session.plan(), { equal: sameButNudges });
  private readonly asked = chosenStacks(this.wired);
  private readonly awake = toSignal(timer(firstMs).pipe(map(() => true)), { initialValue: false });
  private last: WiringAnswer | null = null;

  readonly state = toSignal(
    toObservable(computed(() => (this.awake() ? this.asked() : null))).pipe(
      filter((asked) => asked !== null),
      debounceTime(settleMs),
      switchMap((asked) =>
        from(this.remote().wire(asked)).pipe(
          map((answer): Answered => {
            this.last = answer;
            return { answer, problem: '' };
          }),
          catchError((error: unknown) =>
            of<Answered>({
              answer: this.last,
              problem: error instanceof Error ? error.message : 'It failed.',
            }),
          ),
          startWith<Answered>({ answer: this.last, problem: '' }),
        ),
      ),
    ),
    { initialValue: { answer: null, problem: '' } },
  );
  readonly answer = computed(() => this.state().answer);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.made?.worker.terminate());
  }

  /** The worker that wires: it draws and says what is live, too. */
  remote(): Remote<WiringApi> {
    if (this.made) return this.made.remote;
    const worker = new Worker(new URL('../workers/wiring.worker', import.meta.url), { type: 'module' });
    this.made = { worker, remote: wrap<WiringApi>(worker) };
    return this.made.remote;
  }
}
