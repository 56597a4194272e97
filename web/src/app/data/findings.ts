import { inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Finding } from '@levamen/core/base';
import { planFindings } from '@levamen/core/checks';
import { auditTime, map } from 'rxjs';
import { EvaluationService } from './evaluation';

const settleMs = 120;
const none: readonly Finding[] = [];

/** The findings of the open job; they follow a moment after the margins, which they must not hold up. */
export function injectFindings(): Signal<readonly Finding[]> {
  return toSignal(
    toObservable(inject(EvaluationService).evaluation).pipe(
      auditTime(settleMs),
      map((evaluation) => (evaluation ? planFindings(evaluation) : none)),
    ),
    { initialValue: none },
  );
}
