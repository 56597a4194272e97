import type { Candidate, CircuitLimits } from '../candidates.js';
import type { BrokenLimit, SetLimits } from '../limits/set-limits.js';

export type BindingLimit = BrokenLimit | 'spaces' | 'controlled';

/** What the search is about. Candidates are spoken of by their place in the list. */
export interface SetProblem {
  readonly candidates: readonly Candidate[];
  /** Index of each candidate's loads in `limits`. */
  readonly loadIndex: readonly (readonly number[])[];
  readonly limits: SetLimits;
  readonly circuits: CircuitLimits;
  /** Energy a day that the stack can give over the required runtime; Infinity where it does not bind. */
  readonly energyRoomWh: number;
}

export interface BestSet {
  /** The candidates that stay on. */
  readonly kept: readonly number[];
  readonly worth: number;
  /** No set is worth more; false where the search was cut short. */
  readonly proven: boolean;
  /** Upper bound on the worth of any set. */
  readonly boundWorth: number;
  /** What the musts alone break; null where they hold. Then nothing else is kept. */
  readonly mustsBreak: BindingLimit | null;
  readonly visited: number;
}

/** What has been decided about a candidate on the way down. */
export type Decision = 'open' | 'kept' | 'out';
