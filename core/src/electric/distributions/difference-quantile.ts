import { binVA, type DemandDistribution } from './demand-distribution.js';

/**
 * Absolute difference of two independent demands that is not passed for a share of the time, VA.
 *
 * The neutral of a split-phase supply carries the difference of its legs. Taken from the exact joint distribution on bins of
 * 50 VA.
 */
export function differenceQuantile(a: DemandDistribution, b: DemandDistribution, share: number): number {
  const left = a.bins();
  const right = b.bins();
  const mass = new Map<number, number>();
  left.shares.forEach((p, i) => {
    if (p === 0) return;
    right.shares.forEach((q, j) => {
      if (q === 0) return;
      const apartVA = Math.abs(left.fromVA + i * binVA - right.fromVA - j * binVA);
      // Binned, so that distances that differ by rounding only fall together.
      const bin = Math.round(apartVA / (binVA / 2));
      mass.set(bin, (mass.get(bin) ?? 0) + p * q);
    });
  });
  let sum = 0;
  for (const [bin, p] of [...mass].toSorted((x, y) => x[0] - y[0])) {
    sum += p;
    if (sum >= share - 1e-9) return bin * (binVA / 2);
  }
  return 0;
}
