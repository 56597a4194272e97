import { computed, DestroyRef, inject, Injectable, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type BenchItem, benchItems } from '@levamen/core/design';
import { type ItemEffect, withShifts } from '@levamen/core/study/details';
import { auditTime, catchError, EMPTY, map, of, switchMap } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { injectShifts } from '../../data/shifts';
import { answers, WorkerPool } from '../../data/worker-pool';
import type { BackupApi } from '../../workers/backup-api';

const settleMs = 60;
const none: ReadonlyMap<string, ItemEffect> = new Map();

/**
 * The circuits of the island that is looked at, and what stands beside each: worked out in a worker a moment after an edit, so that
 * hundreds of circuits hold up neither the lanes nor the margins; hours are simulated piece by piece.
 */
@Injectable()
export class BackupEffects {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly pool = new WorkerPool<BackupApi>(
    () => new Worker(new URL('../../workers/backup.worker', import.meta.url), { type: 'module' }),
    1,
  );

  readonly items = computed((): readonly BenchItem[] => {
    const plan = this.session.studied();
    const island = this.evaluations.evaluation()?.island;
    return plan && island ? benchItems(plan, island) : [];
  });
  private readonly shiftsH = injectShifts(
    computed(() => this.items().map(({ id, loads }) => ({ id, loadIds: loads.map((load) => load.id) }))),
  );
  private readonly asked = computed(
    () => {
      const plan = this.session.studied();
      const evaluation = this.evaluations.evaluation();
      const islandId = evaluation?.island?.id;
      return plan && islandId !== undefined
        ? { plan, islandId, stack: evaluation?.selected?.stack ?? null }
        : null;
    },
    {
      equal: (a, b) =>
        a?.plan === b?.plan && a?.islandId === b?.islandId && a?.stack?.name === b?.stack?.name,
    },
  );
  private readonly plain = toSignal(
    toObservable(this.asked).pipe(
      auditTime(settleMs),
      switchMap((asked) => {
        if (asked === null) return of(none);
        const { plan, islandId, stack } = asked;
        const catalogue = [...this.evaluations.catalogue()];
        return this.pool
          .run(
            {},
            () => Promise.resolve(),
            [(there) => there.effects(plan, islandId, stack?.parts ?? null, catalogue)],
            'keep',
          )
          .pipe(
            answers(),
            map(([effects]) => effects ?? none),
            // What stood there before stays.
            catchError(() => EMPTY),
          );
      }),
    ),
    { initialValue: none },
  );
  readonly effects: Signal<ReadonlyMap<string, ItemEffect>> = computed(() => {
    const evaluation = this.evaluations.evaluation();
    return evaluation
      ? withShifts(this.plain(), evaluation.context, evaluation.selected, this.items(), this.shiftsH())
      : none;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.pool.end());
  }
}
