/** How outages of one year that begin in a season go, in order of their beginnings. */
export interface PlayedSeason {
  /** Minute of the year at which each begins. */
  readonly startMinute: Float64Array;
  /** What they were followed for where they last that long. */
  readonly survivedMin: Float32Array;
  /** Index into the causes; 0 where it lasts. */
  readonly cause: Uint8Array;
}
