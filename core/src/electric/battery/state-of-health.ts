/**
 * Share of the nameplate left after some years, with a constant yearly loss (common practice, no source: 1–1.5 % a year).
 *
 * @param fadePerYear share of the nameplate lost each year
 * @param years age of the battery in years
 * @returns 0.3 to 1; a battery below that is replaced, not sized with
 * @example stateOfHealth(0.01, 10) // 0.9
 */
export function stateOfHealth(fadePerYear: number, years: number): number {
  return Math.max(0.3, 1 - fadePerYear * years);
}
