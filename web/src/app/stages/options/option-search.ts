import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type Remote, wrap } from 'comlink';
import { Observable, of, switchMap } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { OutageStudies } from '../../data/outage-studies';
import type { OptionsApi } from '../../workers/options-api';
import { OptionRun } from './option-run';
import { noSearchYet, type SearchState } from './search-state';

/** Workers that share out the variants; each keeps what it has worked out for its own. */
const workers = Math.max(1, Math.min(2, navigator.hardwareConcurrency || 2));

/** Searches the fronts of price over every variant of the design; begins by itself, and can be stopped. */
@Injectable()
export class OptionSearch {
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  /** Counts up when somebody stops the search or begins it again. */
  private readonly round = signal({ number: 0, stopped: false });
  private there: { readonly worker: Worker; readonly remote: Remote<OptionsApi> }[] = [];

  private readonly wish = computed(() => {
    const asked = this.studies.asked();
    const items = this.evaluations.items();
    const catalogue = this.evaluations.catalogue();
    if (!asked || catalogue.length === 0) return null;
    return { asked: { ...asked, items, book: this.evaluations.book() }, catalogue, round: this.round() };
  });
  readonly state = toSignal(
    toObservable(this.wish).pipe(switchMap((wish) => (wish ? this.search(wish) : of(null)))),
    { initialValue: null },
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => this.end());
  }

  stop(): void {
    this.round.update(({ number }) => ({ number: number + 1, stopped: true }));
  }

  begin(): void {
    this.round.update(({ number }) => ({ number: number + 1, stopped: false }));
  }

  private end(): void {
    for (const { worker } of this.there) worker.terminate();
    this.there = [];
  }

  private search(wish: NonNullable<ReturnType<typeof this.wish>>): Observable<SearchState> {
    return new Observable((subscriber) => {
      let state: SearchState = { ...noSearchYet, stopped: wish.round.stopped };
      const say = (change: Partial<SearchState>): void => {
        state = { ...state, ...change };
        subscriber.next(state);
      };
      say({});
      if (wish.round.stopped) return;
      const run = new OptionRun(
        this.workers(),
        wish.asked,
        () => subscriber.closed,
        say,
        () => this.evaluations.evaluation()?.selected?.stack.parts ?? null,
      );
      const simulation = this.studies.simulationOf(wish.asked);
      run
        .go([...wish.catalogue], (plan, parts) => simulation.outlook(plan, parts))
        .catch((error: unknown) => subscriber.error(error));
      // A worker that is busy with what nobody asks any more is ended.
      return () => this.end();
    });
  }

  private workers(): readonly Remote<OptionsApi>[] {
    this.end();
    this.there = Array.from({ length: workers }, () => {
      const worker = new Worker(new URL('../../workers/options.worker', import.meta.url), { type: 'module' });
      return { worker, remote: wrap<OptionsApi>(worker) };
    });
    return this.there.map(({ remote }) => remote);
  }
}
