import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { LoadGroup } from '@levamen/core/study/details';
import { catchError, debounceTime, EMPTY, of, startWith, switchMap } from 'rxjs';
import { EvaluationService } from './evaluation';
import { OutageStudies } from './outage-studies';

const settleMs = 200;
const none: ReadonlyMap<string, number> = new Map();

/**
 * Hours the runtime of the open job changes when groups of loads change their standing, as simulated; empty until the runtime
 * itself is simulated, and filled piece by piece.
 *
 * @param groups the most wanted first
 */
export function injectShifts(groups: Signal<readonly LoadGroup[]>): Signal<ReadonlyMap<string, number>> {
  const evaluations = inject(EvaluationService);
  const studies = inject(OutageStudies);
  const asked = computed(() => {
    const study = studies.study();
    const simulated = evaluations.evaluation()?.selected?.simulated ?? false;
    return study && simulated ? { study, groups: groups() } : null;
  });
  return toSignal(
    toObservable(asked).pipe(
      switchMap((wish) =>
        wish === null
          ? of(none)
          : of(wish).pipe(
              debounceTime(settleMs),
              switchMap(({ study, groups: wanted }) => studies.shifts(study, wanted)),
              // What stands there is rough then, and says so.
              catchError(() => EMPTY),
              startWith(none),
            ),
      ),
    ),
    { initialValue: none },
  );
}
