/** What single stages look at more closely: nothing of it is loaded with the first stage. */
export { bestSwaps, imbalanceVA, type SwapItem, type SwapPlan } from './balance/best-swaps.js';
export { panelBalance } from './balance/panel-balance.js';
export { demoReadings, withDemoReadings } from './demo/demo-readings.js';
export { type DemoSurvey, harbourSurvey, harbourUsage, vineyardSurvey } from './demo/demo-survey.js';
export { drawnA } from './loads/drawn-current.js';
export { blankLoad } from './loads/blank-load.js';
export { guessKind } from './loads/guess-kind.js';
export { hoursPerDayH } from './loads/hours-per-day.js';
export { cyclesPerHour, restartDelayS } from './loads/kind-behaviour.js';
export { libraryValues } from './loads/library/library-values.js';
export { loadFromLibrary } from './loads/library/load-from-library.js';
export { libraryFor, loadLibrary } from './loads/library/load-library.js';
export { type StarterSet, starterSets } from './loads/library/starter-sets.js';
export { circuitsByName } from './panels/circuits-by-name.js';
export { powerNote, readPower } from './loads/read-power.js';
export { type PasteColumn, pasteColumns, readPastedLoads } from './paste/read-pasted-loads.js';
export { spreadHours } from './loads/spread-hours.js';
export { parseStart, startText } from './loads/start-text.js';
export { detectStep, type PowerSample, type PowerStep } from './monitor/detect-step.js';
export { simulatedChannels, simulatedMean, simulatedSample } from './monitor/simulated-house.js';
export { circuitEntryText, readCircuitEntry } from './panels/circuit-entry.js';
export { connectedVA, loadsBehind } from './panels/circuit-power.js';
export { moveBreaker } from './panels/move-breaker.js';
export { newCircuit, newPanel, newService } from './panels/new-panel.js';
export { breakersIn, fitsInto, occupiedSpaces } from './panels/occupied-spaces.js';
export { putBreaker, type PutBreaker } from './panels/put-breaker.js';
export {
  circuitColumnLabels,
  circuitColumns,
  guessCircuitColumns,
  readCircuitRows,
} from './panels/read-circuit-rows.js';
export { analyseReadings, type ChannelAnalysis, type UsageAnalysis } from './usage/analyse-readings.js';
export { type MeasuredYear, measuredYear } from './usage/measured-year.js';
export { billDays, billDayWh, billFacts, monthsOfDays } from './usage/bill-facts.js';
export { type CsvOptions, CsvReadings } from './usage/csv-readings.js';
export {
  type CsvShape,
  guessCsvShape,
  type ValueColumn,
  type ValueUnit,
  valueUnits,
} from './usage/csv-shape.js';
export { decodeMilli, encodeMilli } from './usage/encode-readings.js';
export { gap } from './usage/readings.js';
export { EspiReadings } from './usage/espi-readings.js';
export { houseDemand } from './usage/house-demand.js';
export { measuredLegDemand } from './usage/leg-demand.js';
export { measuredUse, type MeasuredUse, withMeasuredUse } from './usage/measured-use.js';
export { measurementOf } from './usage/measurement-of.js';
export { type ListRow, neverShown, readBills, readLengthS, readOutages } from './usage/read-lists.js';
export { suggestCircuits } from './usage/suggest-circuits.js';
export { restLoad } from './billed/rest-of-bills.js';
export {
  cookings,
  coolings,
  heatings,
  type HouseAnswers,
  houseByBills,
  waterHeatings,
} from './loads/library/house-by-bills.js';
export { entryByName } from './loads/library/entry-by-name.js';
export { loadsFromCircuits } from './panels/loads-from-circuits.js';
export { circuitShortText, readCircuit } from './panels/read-circuit.js';
export { newOpening } from './lot/new-opening.js';
export { addWall, changeWall, nextWallName, rectangleHouse, removeWall } from './lot/wall-edits.js';
export { harbourLot, vineyardLot } from './demo/demo-lots.js';
export { photoToWall, type PhotoPoint, wallToPhoto } from './lot/trace-photo.js';
