/** What single stages look at more closely: nothing of it is loaded with the first stage. */
export { type ItemEffect, itemEffects, withShifts } from './backup-set/item-effects.js';
export { type SubstituteOutcome, substituteOutcomes } from './backup-set/substitute-outcomes.js';
export { type Substitute, substitutesFor, withSubstitute } from './backup-set/substitutes.js';
export { suggestHolding } from './backup-set/suggest-holding.js';
export { suggestBackup, type Suggestion, takeSuggestion } from './backup-set/suggestion.js';
export { type LoadGroup, type ShiftOfGroup, shiftsOfBrief } from './outage/shifts-of-brief.js';
export { LocalSimulation, type Simulation } from './outage/simulation.js';
export { type Mending, waysToMend, type WayToMend } from './backup-set/ways-to-mend.js';
export { bandsByHour, type DemandBand, demandBands } from './demand/demand-bands.js';
export { expectedTripsPerDay } from './demand/expected-trips.js';
export { decidingAxes, powerCurves } from './output/overload-axes.js';
export { isLeg, type PowerPart, runsOn, unitOfPart } from './output/power-part.js';
export { type LoadEffect, loadEffects } from './evaluation/load-effects.js';
export { tallyOfBrief } from './outage/tally-of-brief.js';
export { playedOfBrief } from './outage/played-of-brief.js';
export { partMargins } from './evaluation/part-margins.js';
export { gapEffects } from './gap/ride-through.js';
export { type DrillNow, OutageDrill } from './outage/drill.js';
export { type HelpfulChange, helpfulChanges } from './help/helpful-changes.js';
export { outageFates, windowFor } from './outage/outage-fates.js';
export {
  hardwareOf,
  type OutageHardware,
  type OutagePlan,
  outagePlan,
  type OutageYear,
} from './outage/outage-plan.js';
export {
  type OutageEvent,
  type OutageEventKind,
  type OutageRun,
  servedTiers,
  type TierResult,
} from './outage/outage-run.js';
export { horizonMin, type OutageStudy, studyYear } from './outage/outage-study.js';
export { KeptYear } from './outage/kept-year.js';
export { at, dark, flow, resetLockOut } from './outage/outage-state.js';
export { OutageStepper } from './outage/outage-stepper.js';
export type { TracedLoad } from './outage/traced-house.js';
export { shareOfMinute } from './outage/share-of-minute.js';
export { weatherUse } from './outage/day-factors.js';
export { wholeHouse } from './outage/whole-house.js';
export { outageWeather } from './outage/outage-weather.js';
export { yearOfWindow } from './outage/year-of-window.js';
export { frequencyShiftHz, playOutage } from './outage/play-outage.js';
export { reservePoint, type ReservePoint, reserveShares } from './daily/reserve-curve.js';
export { decidingHours } from './outage/deciding-hours.js';
export { runtimeOutlook } from './outage/runtime-outlook.js';
export { byFacing, byStrategy, type DailyVariant, type Facing } from './daily/compare-daily.js';
export { dailyBattery } from './daily/daily-battery.js';
export { dailyYear } from './daily/daily-year.js';
export { type DailyHouse, dailyHouse } from './daily/daily-house.js';
export {
  dailyCase,
  type DailyCase,
  type DailyCaseName,
  type DailyQuestion,
  type DailyResult,
  dailyResult,
  type DailySums,
  type StacksInUse,
} from './daily/daily-result.js';
export { totalOfCase, totalOfMonth } from './daily/total-of-case.js';
export { calendarYear } from './daily/year-clock.js';
export { type IntervalMin } from './daily/year-grid.js';
export { comfortAtMost } from './outage/comfort-at-most.js';
export { comfortServed } from './outage/comfort-served.js';
export { type HoursLeft, hoursLeft } from './outage/hours-left.js';
export { hardOutage } from './outage/hard-outage.js';
export { yearObjectives } from './outage/year-objectives.js';
export { surplusSolarWhPerDay } from './outage/surplus-solar.js';
export { recordSurvived, survivalCurve, type SurvivalPoint } from './outage/survival.js';
export { type MapCell, reachedMin, yearMap } from './outage/year-map.js';
export { pickupLengthS, pickupReport } from './pickup/pickup-report.js';
export { shedTiming } from './pickup/shed-timing.js';
export { heldStarts } from './margins/start-parts.js';
export { sensorPlan } from './sensors/sensor-plan.js';
export { firstSize } from './usage/first-size.js';
export { ownSolarSize, type OwnSolarSize } from './usage/own-solar-size.js';
export { usageFigures } from './usage/usage-figures.js';
export { hoursAt, quickAnswer, type QuickQuestion } from './quick/quick-answer.js';
