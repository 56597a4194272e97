import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  type Evaluation,
  type Margin,
  type SeasonOutlook,
  simulatedRuntimeMargin,
} from '@levamen/core/study';
import { catchError, delay, EMPTY, map, of, switchMap } from 'rxjs';
import { EvaluationService } from './evaluation';
import { OutageStudies } from './outage-studies';

/** A simulated answer, and what it was worked out for. */
interface Simulated {
  readonly evaluation: Evaluation;
  readonly outlook: SeasonOutlook;
  /** What the closed formula says for the same job, h. */
  readonly plainH: number;
}

/** The page stands before the first outages are played. */
const firstDelayMs = 1500;
const settleMs = 40;
/** A simulation waits for a pause as long as the last one took, so that it does not hold up whoever edits on; at most, ms. */
const longestSettleMs = 2500;

const runtimeOf = ({ margins }: Evaluation): Margin | undefined =>
  margins.find(({ key }) => key === 'runtime');

/**
 * The margins as they are shown. The runtime is a simulated answer: while a new one is worked out in a worker, the last one is
 * carried on in proportion to the closed formula, which answers at once, and marked as rough.
 */
@Injectable()
export class MarginsService {
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  private readonly begun = signal(false);
  private lastTookMs = settleMs;

  private readonly wish = computed(() => {
    const study = this.studies.study();
    const evaluation = this.evaluations.evaluation();
    return study && evaluation ? { study, evaluation } : null;
  });
  private readonly simulated = toSignal(
    toObservable(this.wish).pipe(
      switchMap((wish) => {
        if (wish === null) return of(null);
        const wait = this.begun()
          ? Math.min(longestSettleMs, Math.max(settleMs, this.lastTookMs))
          : firstDelayMs;
        return of(wish).pipe(
          delay(wait),
          switchMap(({ study, evaluation }) => {
            this.begun.set(true);
            const began = performance.now();
            return this.studies.runtime(study).pipe(
              map((outlook): Simulated | null => {
                this.lastTookMs = performance.now() - began;
                const plain = runtimeOf(evaluation);
                return outlook && plain ? { evaluation, outlook, plainH: plain.limit.value } : null;
              }),
              // The closed formula goes on answering.
              catchError(() => EMPTY),
            );
          }),
        );
      }),
    ),
    { initialValue: null },
  );

  /** The runtime shown is one of simulated outages of this very job. */
  readonly runtimeIsSimulated = computed(
    () => this.simulated() !== null && this.simulated()?.evaluation === this.evaluations.evaluation(),
  );
  readonly margins = computed((): readonly Margin[] => {
    const evaluation = this.evaluations.evaluation();
    if (!evaluation) return [];
    const simulated = this.simulated();
    if (!simulated) return evaluation.margins;
    return evaluation.margins.map((plain) => {
      if (plain.key !== 'runtime' || plain.verdict === 'unknown') return plain;
      return simulatedRuntimeMargin(evaluation.settings, plain, this.carriedOn(simulated, plain));
    });
  });

  private carriedOn({ evaluation, outlook, plainH }: Simulated, plain: Margin): SeasonOutlook {
    if (evaluation === this.evaluations.evaluation()) return outlook;
    const grows = plain.limit.value / plainH;
    if (!Number.isFinite(grows)) return outlook;
    const least = Math.min(outlook.followedH, outlook.nineteenOfTwentyH * grows);
    return {
      ...outlook,
      nineteenOfTwentyH: least,
      medianH: Math.min(outlook.followedH, outlook.medianH * grows),
    };
  }
}
