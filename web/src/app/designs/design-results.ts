import { computed, inject, Injectable } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type Season, seasons } from '@levamen/core/nature';
import type { Plan } from '@levamen/core/design';
import { type Job, planOf } from '@levamen/core/job';
import type { OfferTotal, Pricer } from '@levamen/core/offer';
import {
  type Evaluation,
  evaluatePlan,
  type FoundStacks,
  type SeasonOutlook,
  smallestHolding,
  withRuntimes,
} from '@levamen/core/study';
import type { Simulation } from '@levamen/core/study/details';
import { EMPTY, firstValueFrom, Observable, startWith, switchMap } from 'rxjs';
import { dailyAsked, stacksInUse } from '../daily/daily-asked';
import { priceOfDesign } from '../data/design-price';
import { DailyStudies } from '../data/daily-studies';
import { EvaluationService } from '../data/evaluation';
import { JobSession } from '../data/job-session';
import { MeasuredYearOfJob } from '../data/measured-year';
import { OutageStudies } from '../data/outage-studies';
import { WeatherYears } from '../data/weather-years';
import { WiringStudies } from '../data/wiring-studies';
import type { DailyAnswer } from '../workers/daily-api';

/** What is known of one design so far. */
export interface DesignResult {
  readonly id: string;
  readonly name: string;
  readonly plan: Plan;
  readonly evaluation: Evaluation;
  /** Outages that begin in each season, simulated; null = not yet. */
  readonly bySeason: Readonly<Record<Season, SeasonOutlook | null>>;
  /** null = nothing is priced, or no stack is there. */
  readonly price: OfferTotal | null;
  /** Share of comfort served; null = not yet, undefined = the house has none. */
  readonly comfort: number | null | undefined;
  /** A year with the grid; null = not yet. */
  readonly daily: DailyAnswer | null;
}

interface Wish {
  readonly job: Job;
  readonly priceOf: Pricer | null;
}

const noSeasons: DesignResult['bySeason'] = { winter: null, shoulder: null, summer: null };

/** Works every design of the job out, one after the other, by the same means as the one that is looked at. */
@Injectable()
export class DesignResults {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  private readonly weather = inject(WeatherYears);
  private readonly daily = inject(DailyStudies);
  private readonly measured = inject(MeasuredYearOfJob);
  private readonly wiring = inject(WiringStudies);

  private readonly wish = computed((): Wish | null => {
    const job = this.session.job();
    const isReady = this.weather.year().ready && this.measured.found() !== null;
    return job && this.evaluations.catalogue().length > 0 && isReady
      ? { job, priceOf: this.evaluations.pricer() }
      : null;
  });
  readonly results = toSignal(
    toObservable(this.wish).pipe(switchMap((wish) => (wish ? this.workOut(wish) : EMPTY))),
    { initialValue: [] as readonly DesignResult[] },
  );

  private workOut(wish: Wish): Observable<readonly DesignResult[]> {
    const rough = wish.job.designs.map(({ id, name }): DesignResult => {
      const plan = planOf(wish.job, id);
      const evaluation = evaluatePlan(plan, this.evaluations.catalogue());
      return {
        id,
        name,
        plan,
        evaluation,
        bySeason: noSeasons,
        price: priceOfDesign(wish.priceOf, plan, evaluation, null),
        comfort: null,
        daily: null,
      };
    });
    return new Observable<readonly DesignResult[]>((subscriber) => {
      let results: readonly DesignResult[] = rough;
      const say = (next: DesignResult): void => {
        results = results.map((one) => (one.id === next.id ? next : one));
        subscriber.next(results);
      };
      const work = async (): Promise<void> => {
        for (const one of rough) await this.simulate(wish, one, say, () => subscriber.closed);
      };
      // What is rough stays, and says so.
      work().then(
        () => subscriber.complete(),
        () => subscriber.complete(),
      );
    }).pipe(startWith(rough));
  }

  private async simulate(
    wish: Wish,
    of: DesignResult,
    say: (next: DesignResult) => void,
    isOver: () => boolean,
  ): Promise<void> {
    const { plan, evaluation: rough } = of;
    if (rough.context.backupSet.length === 0 || rough.judged.length === 0) return;
    const simulation: Simulation = this.studies.simulationOf({
      islandId: rough.island?.id ?? '',
      weather: this.weather.year().year,
    });
    const outlooks = new Map<string, SeasonOutlook>();
    let found: FoundStacks | null = null;
    if (rough.selectedBy !== 'user')
      found = await smallestHolding(rough.judged, ({ parts }) => {
        if (isOver()) throw new Error('Nobody waits any more');
        return simulation.holds(plan, parts);
      });
    let evaluation = rough;
    for (let round = 0; round < 6; round += 1) {
      evaluation = withRuntimes(rough, { outlooks, found });
      const stack = evaluation.selected?.stack;
      if (!stack || outlooks.has(stack.name)) break;
      const outlook = await simulation.outlook(plan, stack.parts);
      if (outlook) outlooks.set(stack.name, outlook);
    }
    let next: DesignResult = {
      ...of,
      evaluation,
      price: priceOfDesign(wish.priceOf, plan, evaluation, null),
    };
    say(next);
    const parts = evaluation.selected?.stack.parts;
    if (!parts) return;
    // What it is wired with is not known before its units are.
    const material = await this.wiring.materialOf(plan, evaluation);
    if (isOver()) return;
    next = { ...next, price: priceOfDesign(wish.priceOf, plan, evaluation, material) };
    say(next);
    const islandId = evaluation.island?.id ?? '';
    const weather = this.weather.year().year;
    const measured = this.measured.found()?.year ?? null;
    const stacks = stacksInUse(plan, evaluation);
    const daily = await firstValueFrom(this.daily.year(dailyAsked(plan, weather, stacks, measured)));
    next = { ...next, daily };
    say(next);
    for (const season of seasons) {
      if (isOver()) return;
      const asked: Plan = { ...plan, brief: { ...plan.brief, designSeason: season } };
      const outlook = await simulation.outlook(asked, parts);
      next = { ...next, bySeason: { ...next.bySeason, [season]: outlook } };
      say(next);
    }
    if (isOver()) return;
    const comfort = await firstValueFrom(this.studies.comfort({ plan, islandId, parts, weather }));
    say({ ...next, comfort: comfort ?? undefined });
  }
}
