import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  priceFront,
  type PriceFront,
  type RuledOut,
  type StackCandidate,
  stackCandidates,
} from '@levamen/core/offer';
import type { SeasonOutlook } from '@levamen/core/study';
import { runtimeQuestion } from '@levamen/core/study';
import type { OutageStudy } from '@levamen/core/study/details';
import { Observable, of, switchMap } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { OutageStudies } from '../../data/outage-studies';

/** What a stack was found to do. */
export interface Found {
  readonly hoursH: number;
  readonly outlook: SeasonOutlook;
}

export interface SearchState {
  readonly front: PriceFront<StackCandidate, Found>;
  readonly ruledOut: readonly RuledOut[];
  /** Candidates that are neither simulated nor passed over yet. */
  readonly left: number;
  readonly total: number;
  /** Somebody stopped it. */
  readonly stopped: boolean;
}

const nothing: PriceFront<StackCandidate, Found> = { points: [], simulated: 0, pruned: 0 };

/** Searches the front of price against hours for the backup set as it stands; begins by itself, and can be stopped. */
@Injectable()
export class OptionSearch {
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  /** Counts up when somebody stops the search or begins it again. */
  private readonly round = signal({ number: 0, stopped: false });

  private readonly wish = computed(() => {
    const rough = this.evaluations.rough();
    const asked = this.studies.asked();
    return rough && asked ? { rough, asked, priceOf: this.evaluations.pricer(), round: this.round() } : null;
  });
  readonly state = toSignal(
    toObservable(this.wish).pipe(switchMap((wish) => (wish ? this.search(wish) : of(null)))),
    { initialValue: null },
  );

  stop(): void {
    this.round.update(({ number }) => ({ number: number + 1, stopped: true }));
  }

  begin(): void {
    this.round.update(({ number }) => ({ number: number + 1, stopped: false }));
  }

  private search({
    rough,
    asked,
    priceOf,
    round,
  }: NonNullable<ReturnType<typeof this.wish>>): Observable<SearchState | null> {
    return new Observable((subscriber) => {
      const { candidates, ruledOut } = stackCandidates(asked.plan, rough, priceOf);
      const state = (front: PriceFront<StackCandidate, Found>, left: number): SearchState => ({
        front,
        ruledOut,
        left,
        total: candidates.length,
        stopped: round.stopped,
      });
      subscriber.next(state(nothing, candidates.length));
      if (round.stopped) return;
      const simulation = this.studies.simulationOf(asked);
      const study = (parts: OutageStudy['parts']): OutageStudy => ({ ...asked, parts });
      const { followedMin } = runtimeQuestion(study(candidates[0]?.stack.parts ?? []));
      priceFront<StackCandidate, Found>(
        candidates,
        async ({ stack }) => {
          const outlook = await simulation.outlook(asked.plan, stack.parts);
          return outlook && { hoursH: outlook.nineteenOfTwentyH, outlook };
        },
        followedMin / 60,
        (front, left) => subscriber.next(state(front, left)),
        () => subscriber.closed,
      ).then(
        (front) => subscriber.next(state(front, 0)),
        (error: unknown) => subscriber.error(error),
      );
    });
  }
}
