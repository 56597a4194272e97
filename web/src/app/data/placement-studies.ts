import { computed, DestroyRef, inject, Injectable } from '@angular/core';
import { sameBut } from '@levamen/core/base';
import type { Plan } from '@levamen/core/design';
import { proxy, type Remote, wrap } from 'comlink';
import type { Subject } from '@levamen/core/rules/packs';
import type { WallSearch } from '@levamen/core/placement/details';
import { finalize, from, Observable, of } from 'rxjs';
import type { PlacementApi, SearchAsked } from '../workers/placement-api';
import { chosenStacks } from './chosen-stacks';
import { JobSession } from './job-session';
import { WeatherYears } from './weather-years';
import { workerAnswers } from './worker-answers';

/** After an edit, and after a job is opened: the margins come first. */
const settleMs = 200;
const firstMs = 1800;

/** Slices of a plan that say nothing of where its equipment is. */
const aside = [
  'brief',
  'usage',
  'loads',
  'photos',
  'tariffs',
  'finance',
  'existingUnits',
  'course',
  'commissioning',
  'logbook',
  'openPoints',
  'sources',
  'dailyUse',
  'wiring',
] as const satisfies readonly (keyof Plan)[];

const samePlacement = (one: Plan | null, other: Plan | null): boolean =>
  one === other || (one !== null && other !== null && sameBut(one, other, aside));

/** A search that runs, or its result. */
export interface Searching {
  readonly done: number;
  readonly of: number;
  readonly found: WallSearch | null;
}

/** Sun, temperature and rules of where the equipment is put, worked out in a worker after every edit, once there are walls. */
@Injectable()
export class PlacementStudies {
  private readonly session = inject(JobSession);
  private readonly weather = inject(WeatherYears);
  private made: { worker: Worker; remote: Remote<PlacementApi> } | null = null;

  /** An edit of what no placement rests on asks nothing anew. */
  private readonly placed = computed(() => this.session.plan(), { equal: samePlacement });
  readonly stacks = chosenStacks(this.placed);
  private readonly asked = computed(() => {
    const stacks = this.stacks();
    const { ready, year } = this.weather.year();
    return stacks && ready && stacks.plan.lot.walls.length > 0 ? { ...stacks, weather: year } : null;
  });
  readonly state = workerAnswers(this.asked, (asked) => this.remote().check(asked), { firstMs, settleMs });
  readonly answer = computed(() => this.state().answer);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.made?.worker.terminate());
  }

  /** Searches all walls for places of some things; whoever stops listening ends it. */
  search(thingIds: readonly string[], stepM: number): Observable<Searching> {
    const asked = this.asked();
    if (!asked) return of({ done: 0, of: 0, found: { offers: [], refusals: [] } });
    return new Observable<Searching>((watcher) => {
      // A worker of its own: what is ended ends at once.
      const worker = this.newWorker();
      const remote = wrap<PlacementApi>(worker);
      const of = asked.plan.lot.walls.length;
      watcher.next({ done: 0, of, found: null });
      const told = proxy((done: number) => watcher.next({ done, of, found: null }));
      const request: SearchAsked = { ...asked, thingIds, stepM };
      const running = from(remote.search(request, told))
        .pipe(finalize(() => worker.terminate()))
        .subscribe({
          next: (found) => watcher.next({ done: of, of, found }),
          error: (error: unknown) => watcher.error(error),
          complete: () => watcher.complete(),
        });
      return () => running.unsubscribe();
    });
  }

  /** Everything of what was answered last that rules are asked about. */
  subjects(): Promise<readonly Subject[]> {
    return this.remote().subjects();
  }

  private newWorker(): Worker {
    return new Worker(new URL('../workers/placement.worker', import.meta.url), { type: 'module' });
  }

  private remote(): Remote<PlacementApi> {
    if (this.made) return this.made.remote;
    const worker = this.newWorker();
    this.made = { worker, remote: wrap<PlacementApi>(worker) };
    return this.made.remote;
  }
}
