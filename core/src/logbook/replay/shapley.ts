/**
 * What each of several causes adds to an outcome: its mean effect over all orders in which they may be taken in (Shapley 1953, "A value
 * for n-person games"). The effects add up to the outcome with all of them less that with none.
 *
 * @param causes few: the outcome is asked for each of their 2ⁿ subsets, once
 * @param outcome with these causes taken in
 */
export function shapley<C>(causes: readonly C[], outcome: (taken: ReadonlySet<C>) => number): number[] {
  const n = causes.length;
  const of = Array.from({ length: 2 ** n }, (_, mask) =>
    outcome(new Set(causes.filter((_cause, bit) => (mask >> bit) % 2 === 1))),
  );
  const factorial = (k: number): number => (k <= 1 ? 1 : k * factorial(k - 1));
  const weight = (size: number): number => (factorial(size) * factorial(n - size - 1)) / factorial(n);
  return causes.map((_, bit) =>
    of.reduce((sum, value, mask) => {
      if ((mask >> bit) % 2 === 1) return sum;
      const size = causes.filter((_cause, other) => (mask >> other) % 2 === 1).length;
      return sum + weight(size) * (of[mask + 2 ** bit]! - value);
    }, 0),
  );
}
