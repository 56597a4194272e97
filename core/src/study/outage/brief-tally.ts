/** Counts of the outages that the brief asks to get through. */
export interface BriefTally {
  /** Outages there are, played or not. */
  readonly count: number;
  /** Those played that do not reach the required hours. */
  readonly short: number;
  /** Those of them that an overload or a start ends. */
  readonly overloaded: number;
}

/** Nothing counted yet. */
export const noTally: BriefTally = { count: 0, short: 0, overloaded: 0 };
