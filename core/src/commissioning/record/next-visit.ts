import type { Commissioning, PunchItem } from '../../house/index.js';
import type { StandingStep, StandOfSteps } from '../judge/stand-of-steps.js';

/** What somebody has to come back for. */
export interface NextVisit {
  /** Steps that are off, and those not looked at yet. */
  readonly steps: readonly StandingStep[];
  readonly punch: readonly PunchItem[];
  /** The earliest day something is due; null = nobody said. */
  readonly dueOn: string | null;
}

/** What is left for another visit; null = nothing is. */
export function nextVisit(
  { steps }: StandOfSteps,
  { punch }: Pick<Commissioning, 'punch'>,
): NextVisit | null {
  const left = steps.filter(({ verdict }) => verdict !== 'right');
  const open = punch.filter(({ doneOn }) => doneOn === null);
  if (left.length + open.length === 0) return null;
  const dues = open.flatMap(({ dueOn }) => dueOn ?? []).toSorted();
  return { steps: left, punch: open, dueOn: dues[0] ?? null };
}
