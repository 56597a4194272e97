import type { StepEntry } from '../../house/index.js';
import type { Step } from '../steps/step.js';

/** open = nothing was found yet. */
export type StepVerdict = 'open' | 'right' | 'off';

export interface Judged {
  readonly verdict: StepVerdict;
  /** What is likely, where it is off. */
  readonly causes: readonly string[];
}

/** A reading exactly at its bound holds; what a sum of fractions misses by is nothing. */
const slack = 1e-9;

/** What was found at a step, held against what the design predicts of it. */
export function judgeStep({ asks }: Step, { reading, isSo }: Pick<StepEntry, 'reading' | 'isSo'>): Judged {
  if (asks.kind === 'so') {
    if (isSo === null) return { verdict: 'open', causes: [] };
    return isSo ? { verdict: 'right', causes: [] } : { verdict: 'off', causes: asks.causes };
  }
  if (reading === null) return { verdict: 'open', causes: [] };
  const { least, most } = asks;
  const isOff =
    (least !== null && reading < least - slack * Math.abs(least)) ||
    (most !== null && reading > most + slack * Math.abs(most));
  if (!isOff) return { verdict: 'right', causes: [] };
  return {
    verdict: 'off',
    causes: asks.causes.filter(({ from, to }) => reading >= from && reading <= to).map(({ text }) => text),
  };
}
