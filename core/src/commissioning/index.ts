export { judgeStep, type StepVerdict } from './judge/judge-step.js';
export { type StandingStep, type StandOfSteps, standOfSteps } from './judge/stand-of-steps.js';
export { readReading } from './record/read-reading.js';
export { boundsText, type RecordRow, recordRows } from './record/record-rows.js';
export type { DesignInHand } from './steps/design-in-hand.js';
export { type Measure, type Phase, phaseNames, phases, type ReadingUnit, type Step } from './steps/step.js';
export { stepsOf } from './steps/steps-of.js';
