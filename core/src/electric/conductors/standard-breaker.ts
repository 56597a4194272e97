/** Standard ratings of overcurrent devices up to 800 A: NEC 2023, 240.6(A) (recalled). */
export const standardBreakersA = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450,
  500, 600, 700, 800,
] as const;

/**
 * The next standard rating at or above a current in A; the largest one beyond the list.
 *
 * @example standardBreakerA(52) // 60
 */
export function standardBreakerA(currentA: number): number {
  return standardBreakersA.find((ratingA) => ratingA >= currentA - 1e-9) ?? standardBreakersA.at(-1)!;
}
