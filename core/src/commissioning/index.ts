export { judgeStep, type StepVerdict } from './judge/judge-step.js';
export { type StandingStep, type StandOfSteps, standOfSteps } from './judge/stand-of-steps.js';
export { boundsText } from './record/bounds-text.js';
export { type CommissioningRecord, commissioningRecordSchema } from './record/commissioning-record.schema.js';
export { commissioningRecord } from './record/commissioning-record.js';
export { type NextVisit, nextVisit } from './record/next-visit.js';
export { readReading } from './record/read-reading.js';
export { commissioningJsonSchema } from './record/record-json-schema.js';
export { visitsOf } from './record/visits-of.js';
export type { DesignInHand } from './steps/design-in-hand.js';
export {
  type Measure,
  type OutageAspect,
  type Phase,
  phaseNames,
  phases,
  type Probe,
  type ReadingUnit,
  type Step,
} from './steps/step.js';
export { stepsOf } from './steps/steps-of.js';
export { type Suspect, suspects } from './training/suspects.js';
