import type { SimulatedHouse } from '../../simulator/index.js';
import type { OutageHardware } from '../../study/details.js';
import { judgeStep } from '../judge/judge-step.js';
import { expectationOf } from '../staged/expectation.js';
import type { Found } from '../staged/found.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import type { Step } from '../steps/step.js';
import { stepsOf } from '../steps/steps-of.js';
import { askHouse } from './ask-house.js';
import { stageOutage } from './stage-outage.js';

/** A step that was answered by the devices, and how it was judged. */
export interface Answered {
  readonly step: Step;
  readonly found: Found;
  readonly verdict: 'right' | 'off' | 'open';
  readonly causes: readonly string[];
}

/**
 * Puts a simulated house into service as somebody would who only has its devices: each step that they can answer, in its order, with
 * the known loads switched on by hand, and a staged outage.
 */
export function commission(
  design: DesignInHand,
  house: SimulatedHouse,
  hardware: OutageHardware,
  islandId: string,
): Answered[] {
  const steps = stepsOf(design, { added: [] }).filter(({ probe }) => probe !== null);
  const answer = (step: Step, found: Found | null | undefined): Answered[] =>
    found ? [{ step, found, ...judgeStep(step, found) }] : [];
  const onGrid = steps
    .filter(({ phase }) => phase !== 'island' && phase !== 'back')
    .flatMap((step) => answer(step, askHouse(step, house)));
  const expects = expectationOf(design, islandId, hardware)!;
  const told = stageOutage(design, steps, house, expects, islandId);
  return [...onGrid, ...steps.flatMap((step) => answer(step, told.get(step.id)))];
}
