/** What outages tell: nothing of it is loaded before one is looked at. */
export {
  type CapacityForecast,
  capacityForecast,
  type CapacityPoint,
  type WarrantedCurve,
} from './ageing/capacity-forecast.js';
export { calibrateLoads, type CalibratedLoads } from './calibration/calibrate-loads.js';
export { type LoadEvidence, loadEvidence } from './calibration/load-evidence.js';
export { withCalibration } from './calibration/calibration-entry.js';
export { type KnownOutage, knownOutage } from './outages/known-outage.js';
export { outagesInSamples } from './outages/outages-in-samples.js';
export { builtLogbook, type RecordedInDemo } from './simulated/built-logbook.js';
export { type ReadTable, samplesOfTable } from './outages/samples-of-table.js';
export { minuteOfYear } from './replay/minute-of-year.js';
export { type OutageReplay, replayOutage } from './replay/replay-outage.js';
export { measuredAt } from './told/measured-at.js';
export type { LogbookQuestion } from './told/logbook-question.js';
export { type ToldBattery, toldBattery } from './told/told-battery.js';
export { type ToldOutage, toldOutage } from './told/told-outage.js';
export { effectText, outcomeText, reasonNames, reasonText, replaySays } from './replay/reason-texts.js';
export { type OutageAhead, outageAhead } from './ahead/outage-ahead.js';
