import type { Job } from '../job/job.schema.js';
import { demandContextOf } from '../sizing/demand-context-of.js';
import { judgeStack } from '../sizing/judge-stack.js';
import type { Margin } from '../sizing/margin.js';
import { stackRuntime } from '../sizing/stack-energy.js';
import type { Stack } from '../sizing/stack.js';

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
export function outcomeOf(job: Job, stack: Stack): Outcome {
  const context = demandContextOf(job);
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
