import type { Catalogue } from '@levamen/core/equipment';
import type { MeasuredYear } from '@levamen/core/house/details';
import type { Plan } from '@levamen/core/design';
import type { WeatherYear } from '@levamen/core/nature';
import type {
  byFacing,
  byStrategy,
  DailyCase,
  DailyResult,
  IntervalMin,
  StacksInUse,
} from '@levamen/core/study/details';

/** A design whose year with the grid is asked for. */
export interface DailyAsked {
  readonly plan: Plan;
  readonly weather: WeatherYear | null;
  readonly stacks: StacksInUse;
  readonly intervalMin: IntervalMin;
  /** What the meter measured; null = nothing. */
  readonly measured: MeasuredYear | null;
}

/** A year with a new battery, and the design in one with a battery that has aged. */
export interface DailyAnswer {
  readonly fresh: DailyResult;
  readonly agedDesign: DailyCase;
  readonly agedYears: number;
}

/** The same otherwise. */
export interface DailyBeside {
  readonly strategies: ReturnType<typeof byStrategy>;
  readonly facings: ReturnType<typeof byFacing>;
}

export interface DailyApi {
  /** @param agedYears years of the second battery */
  year(asked: DailyAsked, catalogue: Catalogue, agedYears: number): DailyAnswer;
  beside(asked: DailyAsked, catalogue: Catalogue): DailyBeside;
}
