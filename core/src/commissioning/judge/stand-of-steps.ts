import { type Commissioning, entryOf, type StepEntry } from '../../house/index.js';
import { phaseNames, type Step } from '../steps/step.js';
import { type Judged, judgeStep } from './judge-step.js';

/** A step with what was found at it, and whether it is its turn. */
export interface StandingStep extends Judged {
  readonly step: Step;
  readonly entry: StepEntry;
  /** Steps of phases before it that are not right yet; none where somebody went on all the same. */
  readonly waitsFor: readonly Step[];
}

export interface StandOfSteps {
  readonly steps: readonly StandingStep[];
  /** What must be made safe before anything else is done. */
  readonly stopped: readonly StandingStep[];
  readonly right: number;
  readonly off: number;
  readonly open: number;
}

/**
 * How far a system is on its way into service. A phase begins when all before it is right: whoever goes on all the same says why,
 * and nobody goes past a step that is off and must be made safe. Dead tests wait for nothing, and a question of one's own for none.
 */
export function standOfSteps(steps: readonly Step[], record: Commissioning): StandOfSteps {
  const judged = steps.map((step) => {
    const entry = entryOf(record, step.id);
    return { step, entry, ...judgeStep(step, entry) };
  });
  const notRight = judged.filter(({ verdict, entry }) => verdict !== 'right' && entry.override === null);
  const isStopping = ({ verdict, step }: Judged & { readonly step: Step }): boolean =>
    verdict === 'off' && step.makeSafe !== '';
  const stopping = judged.filter(isStopping);
  const rank = (step: Step): number => phaseNames.indexOf(step.phase);
  const before = (step: Step, some: readonly { readonly step: Step }[]): Step[] =>
    step.phase === 'own' ? [] : some.flatMap((one) => (rank(one.step) < rank(step) ? [one.step] : []));
  const standing = judged.map((one) => ({
    ...one,
    waitsFor: before(one.step, one.entry.override === null ? notRight : stopping),
  }));
  const count = (verdict: Judged['verdict']): number =>
    judged.filter((one) => one.verdict === verdict).length;
  return {
    steps: standing,
    stopped: standing.filter(isStopping),
    right: count('right'),
    off: count('off'),
    open: count('open'),
  };
}
