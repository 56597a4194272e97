import type { Season } from '@levamen/core/nature';
import type { Stack } from '@levamen/core/equipment';
import type { DemandContext, Evaluation } from '@levamen/core/study';

/** What the pictures of power are drawn from. */
export interface PowerContext {
  readonly context: DemandContext;
  readonly stack: Stack;
  readonly season: Season;
}

/** What there is to draw; null while nothing is backed up or there is no stack. */
export function powerContextOf(evaluation: Evaluation | null): PowerContext | null {
  return evaluation?.selected && evaluation.context.powerSet.length > 0
    ? {
        context: evaluation.context,
        stack: evaluation.selected.stack,
        season: evaluation.settings.designSeason.value,
      }
    : null;
}
