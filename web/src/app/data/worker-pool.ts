import { wrap, type Remote } from 'comlink';
import { filter, map, Observable, type OperatorFunction, pipe } from 'rxjs';

/** How far a list of tasks is. */
export interface PoolProgress<T> {
  readonly done: number;
  readonly of: number;
  /** In the order of the tasks; undefined for those that are not done. */
  readonly results: readonly (T | undefined)[];
}

interface Slot<Api> {
  readonly worker: Worker;
  readonly remote: Remote<Api>;
  prepared: unknown;
  /** Rejects when the worker fails as a whole: its script does not load, or it runs out of memory. It would never answer. */
  readonly failure: Promise<never>;
}

/** The answers to a list of tasks, once all are there. */
export const answers = <T>(): OperatorFunction<PoolProgress<T>, readonly T[]> =>
  pipe(
    filter(({ done, of }: PoolProgress<T>) => done === of),
    map(({ results }) => results as readonly T[]),
  );

/**
 * A few workers of one kind that share out a list of tasks; lists wait for each other. Unsubscribing ends what is under way by
 * ending the workers; the next list gets new ones. Where tasks are short, workers are kept: what is under way is finished and
 * forgotten.
 */
export class WorkerPool<Api> {
  private slots: Slot<Api>[] = [];
  /** Settles when the list before is done or has been given up. */
  private before: Promise<void> = Promise.resolve();

  /**
   * @param make makes one worker
   * @param size how many
   */
  constructor(
    private readonly make: () => Worker,
    private readonly size = Math.max(1, Math.min(4, navigator.hardwareConcurrency || 2)),
  ) {}

  /**
   * Runs tasks, each on the next free worker.
   *
   * @param key what the workers are prepared for; they are prepared once for each key
   * @param prepare done before the first task of a key
   * @param tasks one of several steps asks before each whether anybody still waits
   * @param whenGivenUp what becomes of the workers when nobody waits any more
   */
  run<T>(
    key: unknown,
    prepare: (there: Remote<Api>) => Promise<unknown>,
    tasks: readonly ((there: Remote<Api>, goesOn: () => boolean) => Promise<T>)[],
    whenGivenUp: 'end' | 'keep' = 'end',
  ): Observable<PoolProgress<T>> {
    return new Observable((subscriber) => {
      const results = new Array<T | undefined>(tasks.length).fill(undefined);
      let next = 0;
      let done = 0;
      let ended = false;
      subscriber.next({ done, of: tasks.length, results });
      const work = async (slot: Slot<Api>): Promise<void> => {
        while (!ended && next < tasks.length) {
          const index = next;
          next += 1;
          if (slot.prepared !== key) {
            await Promise.race([prepare(slot.remote), slot.failure]);
            slot.prepared = key;
          }
          const result = await Promise.race([tasks[index]!(slot.remote, () => !ended), slot.failure]);
          if (ended) return;
          results[index] = result;
          done += 1;
          subscriber.next({ done, of: tasks.length, results: [...results] });
        }
      };
      let begun = false;
      const { before } = this;
      let release = (): void => undefined;
      this.before = new Promise((resolve) => {
        release = resolve;
      });
      const begin = async (): Promise<void> => {
        await before;
        if (ended) return;
        begun = true;
        const count = Math.min(this.size, tasks.length);
        await Promise.all(Array.from({ length: count }, (_, index) => work(this.slot(index))));
      };
      begin().then(
        () => {
          ended = true;
          release();
          subscriber.complete();
        },
        (error: unknown) => {
          ended = true;
          // The next list gets new workers; what the others do for this one is of no use any more.
          this.end();
          release();
          subscriber.error(error);
        },
      );
      return () => {
        const under = !ended && begun;
        ended = true;
        // What is under way on workers that are kept lets the next list begin when it is done.
        if (under && whenGivenUp === 'keep') return;
        if (under) this.end();
        // Whoever comes next still waits for those before.
        void before.then(release);
      };
    });
  }

  /** Ends all workers. */
  end(): void {
    for (const { worker } of this.slots) worker.terminate();
    this.slots = [];
  }

  private slot(index: number): Slot<Api> {
    const known = this.slots[index];
    if (known) return known;
    const worker = this.make();
    const failure = new Promise<never>((_, reject) => {
      const fail = (): void => reject(new Error('A worker failed'));
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    // Nobody may be waiting when it fails.
    failure.catch(() => undefined);
    const slot: Slot<Api> = { worker, remote: wrap<Api>(worker), prepared: undefined, failure };
    this.slots[index] = slot;
    return slot;
  }
}
