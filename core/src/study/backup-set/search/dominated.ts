import type { Candidate } from '../candidates.js';
import type { SetLimits } from '../limits/set-limits.js';

/**
 * For each candidate, those that are lighter in every respect and worth at least as much: in any set that keeps the heavier
 * without the lighter, the lighter can take its place. Looked for among candidates of one load each. Of equals the earlier
 * counts as the lighter one.
 */
export function dominated(
  order: readonly number[],
  candidates: readonly Candidate[],
  loadIndex: readonly (readonly number[])[],
  limits: SetLimits,
): Map<number, readonly number[]> {
  const isLighter = (light: number, heavy: number): boolean =>
    loadIndex[light]!.length === 1 &&
    loadIndex[heavy]!.length === 1 &&
    candidates[light]!.worth >= candidates[heavy]!.worth &&
    candidates[light]!.spaces <= candidates[heavy]!.spaces &&
    limits.isLighter(loadIndex[light]![0]!, loadIndex[heavy]![0]!);
  return new Map(
    order.map((heavy, place) => [
      heavy,
      order.filter(
        (light, other) =>
          light !== heavy && isLighter(light, heavy) && (other < place || !isLighter(heavy, light)),
      ),
    ]),
  );
}
