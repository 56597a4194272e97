export { bestSwaps, imbalanceVA, type SwapItem, type SwapPlan } from './balance/best-swaps.js';
export { panelBalance } from './balance/panel-balance.js';
export { demoReadings, withDemoReadings } from './demo/demo-readings.js';
export { type DemoSurvey, harbourSurvey, harbourUsage, vineyardSurvey } from './demo/demo-survey.js';
export { basisSource } from './loads/basis-source.js';
export { blankLoad } from './loads/blank-load.js';
export { dailyEnergyWh } from './loads/daily-energy.js';
export { dayPartFacts } from './loads/day-parts.js';
export { guessKind } from './loads/guess-kind.js';
export { hourlyByTierWh } from './loads/hourly-by-tier.js';
export { hourlyEnergyWh } from './loads/hourly-energy.js';
export { hoursPerDayH } from './loads/hours-per-day.js';
export { cyclesPerHour, restartDelayS } from './loads/kind-behaviour.js';
export { libraryValues } from './loads/library/library-values.js';
export { loadFromLibrary } from './loads/library/load-from-library.js';
export { libraryFor, loadLibrary } from './loads/library/load-library.js';
export { type StarterSet, starterSets } from './loads/library/starter-sets.js';
export type { TypicalLoad } from './loads/library/typical-load.js';
export { type CodeClass, kindFacts, type LoadKind } from './loads/load-kinds.js';
export { loadVoltageV } from './loads/load-voltage.js';
export {
  type DayPart,
  dayParts,
  type HoursOfUse,
  hoursOfUseSchema,
  type Load,
  loadSchema,
  type Start,
  startSchema,
  type Tier,
  tiers,
} from './loads/load.schema.js';
export { loadsByCircuit } from './loads/loads-by-circuit.js';
export { onShare } from './loads/on-share.js';
export { readPastedLoads } from './loads/paste/read-pasted-loads.js';
export { runningPowerVA } from './loads/running-power.js';
export { spreadHours } from './loads/spread-hours.js';
export { startAtVoltage } from './loads/start-at-voltage.js';
export { parseStart, startText } from './loads/start-text.js';
export { sumHourlyEnergyWh } from './loads/sum-hourly-energy.js';
export { detectStep, type PowerSample, type PowerStep } from './monitor/detect-step.js';
export { simulatedChannels, simulatedMean, simulatedSample } from './monitor/simulated-house.js';
export { circuitEntryText, readCircuitEntry } from './panels/circuit-entry.js';
export { circuitLegs, circuitLegSet } from './panels/circuit-legs.js';
export { connectedVA, loadsBehind } from './panels/circuit-power.js';
export {
  circuitsById,
  circuitText,
  panelFedBy,
  type PlacedCircuit,
  spacesText,
} from './panels/find-circuit.js';
export { moveBreaker } from './panels/move-breaker.js';
export { newCircuit, newPanel, newService } from './panels/new-panel.js';
export { breakersIn, fitsInto, occupiedSpaces } from './panels/occupied-spaces.js';
export { panelUpstream, wouldLoop } from './panels/panel-tree.js';
export {
  type Circuit,
  circuitSchema,
  type Device,
  deviceLabels,
  deviceSchema,
  emptySurvey,
  type FedFrom,
  maxDevices,
  type Panel,
  panelLayouts,
  panelSchema,
  type Service,
  serviceSchema,
  type Survey,
  surveySchema,
} from './panels/panel.schema.js';
export { putBreaker, type PutBreaker } from './panels/put-breaker.js';
export {
  circuitColumnLabels,
  circuitColumns,
  guessCircuitColumns,
  readCircuitRows,
} from './panels/read-circuit-rows.js';
export { serviceRatingA } from './panels/service-rating.js';
export { circuitLegSets, legsOnCircuit, settleLegs } from './panels/settle-legs.js';
export { panelRows, spaceAt, spaceLeg, spacePlace, spacesFrom } from './panels/space-place.js';
export { surveyProblems } from './panels/survey-problems.js';
export type { SurveyedHouse } from './panels/surveyed-house.js';
export { houseZone } from './site/house-zone.js';
export type { House } from './site/house.js';
export { type Site, siteSchema, timeZoneSchema } from './site/site.schema.js';
export { analyseReadings, type ChannelAnalysis, type UsageAnalysis } from './usage/analyse-readings.js';
export { billDays, billDayWh, billFacts } from './usage/bill-facts.js';
export { type CsvOptions, CsvReadings } from './usage/csv-readings.js';
export {
  type CsvShape,
  guessCsvShape,
  type ValueColumn,
  type ValueUnit,
  valueUnits,
} from './usage/csv-shape.js';
export { decodeMilli, encodeMilli } from './usage/encode-readings.js';
export { EspiReadings } from './usage/espi-readings.js';
export { houseClock, instantOf } from './usage/house-clock.js';
export { houseDemand } from './usage/house-demand.js';
export { measuredLegDemand } from './usage/leg-demand.js';
export { clockText, localTimes, offsetSpans } from './usage/local-times.js';
export { measuredUse, type MeasuredUse, withMeasuredUse } from './usage/measured-use.js';
export { measurementOf } from './usage/measurement-of.js';
export { momentaryS, outageFacts, reliabilityFacts } from './usage/outage-facts.js';
export { type ListRow, neverShown, readBills, readLengthS, readOutages } from './usage/read-lists.js';
export { type Channel, type ChannelRole, channelRoles, gap, type Readings } from './usage/readings.js';
export type { ReadingProblem } from './usage/row-collector.js';
export { suggestCircuits } from './usage/suggest-circuits.js';
export {
  type Bill,
  billSchema,
  emptyUsage,
  type Outage,
  outageSchema,
  type Reliability,
  reliabilitySchema,
  type Usage,
  usageSchema,
} from './usage/usage.schema.js';
export { type ClockKind, clockKinds, WallClock } from './usage/wall-clock.js';
