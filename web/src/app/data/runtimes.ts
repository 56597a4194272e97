import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import type { Stack } from '@levamen/core/equipment';
import {
  type Evaluation,
  type FoundStacks,
  holdsIn,
  type Known,
  type SeasonOutlook,
  smallestHolding,
  withRuntimes,
} from '@levamen/core/study';
import type { OutageStudy } from '@levamen/core/study/details';
import {
  catchError,
  EMPTY,
  filter,
  firstValueFrom,
  Observable,
  ReplaySubject,
  switchMap,
  takeUntil,
  timer,
} from 'rxjs';
import { EvaluationService } from './evaluation';
import { OutageStudies } from './outage-studies';

/** The page stands before the first outages are played. */
const firstDelayMs = 1500;
const settleMs = 40;
/** A simulation waits for a pause of this share of what the last one took: whoever edits on is not held up by it. At most, ms. */
const settleShare = 0.2;
const longestSettleMs = 500;
const mostRounds = 6;

interface Wish {
  readonly rough: Evaluation;
  readonly study: Omit<OutageStudy, 'parts'>;
}

/**
 * Has the runtimes of stacks simulated: first of the one in use or, where none is chosen, of as many as it takes to find the
 * smallest that holds; then, once somebody looks at other stacks, of those. What it finds out stands in {@link EvaluationService.evaluation}.
 */
@Injectable()
export class Runtimes {
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  private begun = false;
  private lastTookMs = settleMs;

  /** Names of the stacks that are looked at, most wanted first; whoever shows them says so. */
  readonly looked = signal<readonly string[]>([]);
  private readonly changes = toObservable(this.looked);

  private readonly wish = computed((): Wish | null => {
    const rough = this.evaluations.rough();
    const study = this.studies.asked();
    return rough && study ? { rough, study } : null;
  });

  constructor() {
    toObservable(this.wish)
      .pipe(
        switchMap((wish) => {
          if (wish === null) return EMPTY;
          const wait = this.begun
            ? Math.min(longestSettleMs, Math.max(settleMs, settleShare * this.lastTookMs))
            : firstDelayMs;
          return timer(wait).pipe(
            switchMap(() => this.work(wish)),
            // What is rough stays, and says so.
            catchError(() => EMPTY),
          );
        }),
        takeUntilDestroyed(),
      )
      .subscribe((known) => this.evaluations.known.set(known));
  }

  /** Simulates for one plan until nobody wants it any more. */
  private work({ rough, study }: Wish): Observable<Known> {
    return new Observable((subscriber) => {
      const outlooks = new Map<string, SeasonOutlook>();
      const tried = new Set<string>();
      let found: FoundStacks | null = null;
      const ended = new ReplaySubject<void>(1);
      subscriber.add(() => ended.next());
      // Whoever waits for them when the plan changes, or begins to afterwards, is let go.
      const names = (areWanted: (some: readonly string[]) => boolean): Promise<readonly string[]> =>
        firstValueFrom(this.changes.pipe(filter(areWanted), takeUntil(ended)), { defaultValue: [] });
      const say = (): void => subscriber.next({ rough, runtimes: { outlooks: new Map(outlooks), found } });
      const look = async ({ name, parts }: Stack): Promise<void> => {
        if (tried.has(name)) return;
        tried.add(name);
        const outlook = await firstValueFrom(this.studies.runtime({ ...study, parts }));
        if (outlook) outlooks.set(name, outlook);
      };
      const holds = async ({ parts }: Stack): Promise<boolean> => {
        if (subscriber.closed) throw new Error('Nobody waits any more');
        return holdsIn(study.plan, await firstValueFrom(this.studies.tally({ ...study, parts })));
      };
      const search = async (): Promise<void> => {
        found = await smallestHolding(rough.judged, holds);
        // Where nothing holds, the nearest one is shown; which that is may change once it is played.
        for (let round = 0; round < mostRounds; round += 1) {
          const { selected } = withRuntimes(rough, { outlooks, found });
          if (!selected || selected.simulated) break;
          await look(selected.stack);
        }
        say();
      };
      const work = async (): Promise<void> => {
        const began = performance.now();
        this.begun = true;
        if (rough.selectedBy === 'user') {
          await look(rough.selected!.stack);
          say();
        } else await search();
        this.lastTookMs = performance.now() - began;
        // What else there would be concerns nobody who does not look at it, and finding it takes as long again.
        if (rough.selectedBy === 'user') {
          await names((some) => some.length > 0);
          if (subscriber.closed) return;
          await search();
        }
        const wanted = (some: readonly string[]): Stack | undefined => {
          const next = some.find((name) => !tried.has(name));
          return rough.judged.find(({ stack }) => stack.name === next)?.stack;
        };
        while (!subscriber.closed) {
          const some = await names((each) => wanted(each) !== undefined);
          if (subscriber.closed) return;
          await look(wanted(some)!);
          say();
        }
      };
      work().catch((error: unknown) => subscriber.error(error));
    });
  }
}
