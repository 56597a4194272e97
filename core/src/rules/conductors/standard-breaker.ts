import type { PublishedTable } from '../../base/index.js';

/** Standard ratings of overcurrent devices up to 800 A; 10 A is among them since 2023. */
export const standardBreakersA: PublishedTable<readonly number[]> = {
  title: 'Standard ampere ratings for fuses and inverse time circuit breakers',
  clause: '240.6(A)',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    10, 15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400,
    450, 500, 600, 700, 800,
  ],
};

/**
 * The next standard rating at or above a current in A; the largest one beyond the list.
 *
 * @example standardBreakerA(52) // 60
 */
export function standardBreakerA(currentA: number): number {
  const { values } = standardBreakersA;
  return values.find((ratingA) => ratingA >= currentA - 1e-9) ?? values.at(-1)!;
}
