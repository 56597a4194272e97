import type { Stack } from '../../equipment/index.js';
import type { Plan } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { judgeStack } from '../evaluation/judge-stack.js';
import type { Margin } from '../margins/margin.js';
import type { SeasonOutlook } from '../outage/outlook-of.js';

/** What a design comes to, in the figures by which changes are compared. */
export interface Outcome {
  /** What the runtime margin says; at least that where it was not followed longer. */
  readonly runtimeH: number;
  readonly runtimeAtLeast: boolean;
  /** Running demand on the basis of the brief. */
  readonly runningVA: number;
  /** Worst start ÷ what the stack carries. */
  readonly startRatio: number;
  /** Energy of the backup set on a day of the design season. */
  readonly energyWhPerDay: number;
  readonly margins: readonly Margin[];
  /** Binding margins that fail, worst first. */
  readonly fails: readonly Margin[];
}

/**
 * The outcome of a job with a stack.
 *
 * @param outlook its simulated outages; null: by the closed formula, which is rough
 */
export function outcomeOf(plan: Plan, stack: Stack, outlook: SeasonOutlook | null): Outcome {
  const context = demandContextOf(plan);
  const { margins, lacks } = judgeStack(context, stack, outlook);
  const runtime = margins.find(({ key }) => key === 'runtime')!;
  return {
    runtimeH: runtime.limit.value,
    runtimeAtLeast: runtime.limitAtLeast,
    runningVA: context.power.coincident.powerVA,
    startRatio: margins.find(({ key }) => key === 'starting')?.ratio ?? 0,
    energyWhPerDay: context.hourlyWh.reduce((sum, wh) => sum + wh, 0),
    margins,
    fails: lacks,
  };
}
