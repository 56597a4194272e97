/** What a recorded outage tells: nothing of it is loaded before one is looked at. */
export { expectationOf } from './staged/expectation.js';
export type { Found } from './staged/found.js';
export type { OutageSample, SystemNow } from './staged/outage-sample.js';
export { measuredStack } from './staged/measured-stack.js';
export { designedBattery } from './staged/designed-battery.js';
export { leastSquares } from './staged/least-squares.js';
export { clockText, hoursTexts, measuredRows, toldInOrder } from './staged/outage-texts.js';
export { thinned } from './staged/thinned.js';
export { outageScript } from './staged/outage-script.js';
export { stagedOutageReport } from './staged/staged-outage-report.js';
export { sunBeforeW } from './staged/sun-before.js';
export { mainHandles } from './steps/main-handles.js';
export { readNow } from './staged/read-now.js';
export { noVoltageV } from './staged/supply-of.js';
export { houseW, otherSourceW, type RecordedEvent, recordedEvents } from './staged/recognise-events.js';
export { type BuiltHouse, builtHouse } from './simulated/built-house.js';
export { sampleOfHouse } from './simulated/sample-of-house.js';
export { recordHouse } from './simulated/record-house.js';
export { type DesignedBattery, measuredBattery, type MeasuredBattery } from './staged/measured-battery.js';
export { builtDemo, builtPlan, builtSeed } from './simulated/built-demo.js';
export {
  nothingToMakeSafe,
  type TrainingAnswer,
  type TrainingResult,
  trainingResult,
  waysToMakeSafe,
} from './training/training-result.js';
export { type TrainedStep, type TrainingHouse, TrainingRun, trainingStart } from './training/training-run.js';
