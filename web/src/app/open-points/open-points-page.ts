import { ChangeDetectionStrategy, Component, computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  listPoints,
  type ListedPoint,
  type Movement,
  movementOf,
  openPoints,
  sayOfPoint,
} from '@levamen/core/checks';
import type { OpenPoint } from '@levamen/core/design';
import type { Evaluation } from '@levamen/core/study';
import { Button } from 'primeng/button';
import { asyncScheduler, auditTime, from, map, type Observable, observeOn, scan, switchMap } from 'rxjs';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { OpenPointRow } from './open-point-row';

const settleMs = 150;
const none: Movements = new Map();

type Movements = ReadonlyMap<string, Movement | null>;

/**
 * How much each point matters; one after the other, so that the page answers meanwhile. What was worked out before stays until its
 * turn comes: rows that changed places would take the focus out of the hands of whoever types in one.
 */
const movements = (evaluation: Evaluation | null, before: Movements): Observable<Movements> =>
  from(evaluation ? openPoints(evaluation.context.plan) : []).pipe(
    observeOn(asyncScheduler),
    map((point) => [point.key, movementOf(point, evaluation!)] as const),
    scan((all, [key, movement]): Movements => new Map(all).set(key, movement), before),
  );

/** What is assumed, unknown or doubtful, by how much it matters; who finds it out, and by when. */
@Component({
  selector: 'lv-open-points-page',
  imports: [Button, OpenPointRow],
  templateUrl: './open-points-page.html',
  styleUrl: './open-points-page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OpenPointsPage {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly movements: Signal<Movements> = toSignal(
    toObservable(this.evaluations.evaluation).pipe(
      auditTime(settleMs),
      switchMap((evaluation) => movements(evaluation, this.movements())),
    ),
    { initialValue: none },
  );
  private readonly found = computed(() => {
    const plan = this.session.plan();
    return plan ? openPoints(plan) : [];
  });
  private readonly listed = computed((): readonly ListedPoint[] =>
    listPoints(this.found(), this.session.plan()?.openPoints ?? [], this.movements()),
  );
  protected readonly jobName = computed(() => this.session.job()?.name ?? '');
  protected readonly open = computed(() => this.listed().filter(({ done }) => !done));
  protected readonly settled = computed(() => this.listed().filter(({ done }) => done));
  protected readonly summary = computed(() => {
    const deciding = this.open().filter(({ movement }) => movement?.decides).length;
    return `${this.open().length} open, ${deciding} of them ${deciding === 1 ? 'decides' : 'decide'} whether a margin holds; ${this.settled().length} settled`;
  });

  protected say(point: ListedPoint, change: Partial<OpenPoint>): void {
    this.session.edit('open point', (plan) => sayOfPoint(plan, point, change, crypto.randomUUID()));
  }

  protected remove(point: ListedPoint): void {
    this.session.edit('open point removed', (plan) => ({
      ...plan,
      openPoints: plan.openPoints.filter(({ id }) => id !== point.ownId),
    }));
  }

  protected print(): void {
    window.print();
  }

  protected add(): void {
    this.session.edit('new open point', (plan) => ({
      ...plan,
      openPoints: [
        ...plan.openPoints,
        { id: crypto.randomUUID(), about: '', text: 'To find out', who: '', dueOn: null, done: false },
      ],
    }));
  }
}
