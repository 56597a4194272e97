/**
 * What a share of values reaches at least: 0.95 gives what 19 of 20 reach.
 *
 * @param sorted rising; not empty
 */
export const reachedOf = (sorted: ArrayLike<number>, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * (1 - share)))]!;
