import type { DesignVariant } from '@levamen/core/offer/details';
import type { SeasonOutlook } from '@levamen/core/study';
import type { OptionCandidate, OptionsOfVariant } from '../../workers/options-api';

/** What is searched for beside a low price. */
export const objectives = ['hours', 'chance', 'comfort'] as const;
export type Objective = (typeof objectives)[number];

/** A candidate on a front, with what it was found to do. */
export interface OptionPoint {
  readonly candidate: OptionCandidate;
  readonly variant: DesignVariant;
  /** Of one year. */
  readonly hoursH: number;
  readonly chance: number;
  /** Of several years; null = not yet. */
  readonly outlook: SeasonOutlook | null;
  /** Share of comfort served; null = not yet, undefined = the house has none. */
  readonly comfort: number | null | undefined;
}

/** Something that costs nothing, and how the outages go then. */
export interface FreeHelp {
  readonly label: string;
  readonly outlook: SeasonOutlook;
}

export interface SearchState {
  readonly points: readonly OptionPoint[];
  readonly ruledOut: OptionsOfVariant['ruledOut'];
  readonly tooDear: number;
  readonly unpriced: readonly string[];
  readonly variants: number;
  readonly simulated: number;
  readonly pruned: number;
  /** Candidates that are neither simulated nor passed over yet. */
  readonly left: number;
  readonly total: number;
  /** The same for comfort, which is searched last; null = not yet. */
  readonly comfort: { readonly simulated: number; readonly left: number } | null;
  /** What is under way. */
  readonly phase: 'candidates' | 'front' | 'years' | 'comfort' | 'done';
  /** Since the search began, ms: the first points, and the front of one year. */
  readonly firstMs: number | null;
  readonly frontMs: number | null;
  readonly free: readonly FreeHelp[];
  readonly stopped: boolean;
}

export const noSearchYet: SearchState = {
  points: [],
  ruledOut: [],
  tooDear: 0,
  unpriced: [],
  variants: 0,
  simulated: 0,
  pruned: 0,
  left: 0,
  total: 0,
  comfort: null,
  phase: 'candidates',
  firstMs: null,
  frontMs: null,
  free: [],
  stopped: false,
};
