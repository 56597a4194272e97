import type { Stack } from '../../equipment/index.js';
import type { Plan } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { judgeStack } from '../evaluation/judge-stack.js';
import type { Margin } from '../margins/margin.js';
import { stackRuntime } from '../margins/stack-energy.js';

/** What a design comes to, in the figures by which changes are compared. */
export interface Outcome {
  readonly runtimeH: number;
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

/** The outcome of a job with a stack. */
export function outcomeOf(plan: Plan, stack: Stack): Outcome {
  const context = demandContextOf(plan);
  const { margins, lacks, energy } = judgeStack(context, stack);
  return {
    runtimeH: stackRuntime(stack, energy, context.stages).runtimeH,
    runningVA: context.power.coincident.powerVA,
    startRatio: margins.find(({ key }) => key === 'starting')?.ratio ?? 0,
    energyWhPerDay: context.hourlyWh.reduce((sum, wh) => sum + wh, 0),
    margins,
    fails: lacks,
  };
}
