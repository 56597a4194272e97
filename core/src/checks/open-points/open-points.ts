import type { Plan } from '../../design/index.js';
import { islandPlan } from '../../design/index.js';
import { demandContextOf, type Evaluation, judgeStack, type Margin } from '../../study/index.js';
import { briefPoints } from './brief-points.js';
import type { FoundPoint } from './found-point.js';
import { loadPoints } from './load-points.js';
import { surveyPoints } from './survey-points.js';

/** How much a margin moves where something else is true than what is assumed. */
export interface Movement {
  readonly label: Margin['label'];
  /** Demand over limit as assumed, and where it ends up furthest from that. */
  readonly from: number;
  readonly to: number;
  /** It holds as assumed, and would not, or the other way round. */
  readonly decides: boolean;
}

/** Everything assumed, unknown or doubtful about a plan. */
export const openPoints = (plan: Plan): FoundPoint[] => [
  ...briefPoints(plan),
  ...loadPoints(plan),
  ...surveyPoints(plan),
];

/**
 * How much it matters what is found out: the margin that moves most where one of the other likely answers is true. A runtime that was
 * simulated moves in proportion to that of the closed formula.
 *
 * @returns null where no margin can tell
 */
export function movementOf(point: FoundPoint, evaluation: Evaluation): Movement | null {
  const { island, selected, context } = evaluation;
  if (point.others.length === 0 || !selected) return null;
  const marginsOf = (of: typeof context): readonly Margin[] => judgeStack(of, selected.stack).margins;
  const before = marginsOf(context);
  const moved = point.others.flatMap((other) => {
    const after = marginsOf(demandContextOf(island ? islandPlan(other, island) : other));
    const ratioIn = (margins: readonly Margin[], key: Margin['key']): number =>
      margins.find((margin) => margin.key === key)?.ratio ?? NaN;
    return selected.margins.flatMap(({ key, label, ratio: from }): Movement[] => {
      const grows = ratioIn(after, key) / ratioIn(before, key);
      const to = from * grows;
      if (!Number.isFinite(to)) return [];
      return [{ label, from, to, decides: from <= 1 !== to <= 1 }];
    });
  });
  return moved.toSorted(byImportance)[0] ?? null;
}

/** The order of what matters: what decides about a margin, what moves one most (in proportion), what no margin tells of. */
export const byImportance = (a: Movement | null, b: Movement | null): number => weight(b) - weight(a);

const weight = (movement: Movement | null): number =>
  movement === null
    ? -1
    : (movement.decides ? 1000 : 0) + Math.abs(Math.log((movement.to + 1e-3) / (movement.from + 1e-3)));
