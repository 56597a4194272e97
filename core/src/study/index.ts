export { type ItemEffect, itemEffects } from './backup-set/item-effects.js';
export type { BrokenLimit } from './backup-set/limits/set-limits.js';
export type { Outcome } from './backup-set/outcome.js';
export { type SubstituteOutcome, substituteOutcomes } from './backup-set/substitute-outcomes.js';
export { type Substitute, withSubstitute } from './backup-set/substitutes.js';
export { suggestHolding } from './backup-set/suggest-holding.js';
export { suggestBackup, type Suggestion, takeSuggestion } from './backup-set/suggestion.js';
export { type LoadGroup, type ShiftOfGroup, shiftsOfBrief } from './outage/shifts-of-brief.js';
export { LocalSimulation, type Simulation } from './outage/simulation.js';
export { type Mending, waysToMend, type WayToMend } from './backup-set/ways-to-mend.js';
export { bandsByHour, type DemandBand, demandBands } from './demand/demand-bands.js';
export type { DemandView } from './demand/demand-view.js';
export { expectedTripsPerDay } from './demand/expected-trips.js';
export { overloadAxes } from './demand/overload-axes.js';
export type { StartCase } from './demand/power-demand.js';
export { evaluatePlan, type Evaluation } from './evaluation/evaluate-plan.js';
export { type JudgedStack, judgeStack } from './evaluation/judge-stack.js';
export { carriedOn, type Known } from './evaluation/carried-on.js';
export { type LoadEffect, loadEffects } from './evaluation/load-effects.js';
export { type FoundStacks, smallestHolding } from './evaluation/smallest-holding.js';
export { type Runtimes, withRuntimes } from './evaluation/with-runtimes.js';
export { holdsIn } from './outage/holds-in.js';
export { type BriefTally, tallyOfBrief } from './outage/tally-of-brief.js';
export { playedOfBrief } from './outage/played-of-brief.js';
export { type PlayedSeason } from './outage/play-season.js';
export { allowedOverloadShare } from './outage/with-overload-risk.js';
export { outlookOf } from './outage/outlook-of.js';
export { runtimeQuestion } from './outage/runtime-question.js';
export { partMargins } from './evaluation/part-margins.js';
export { gapEffects } from './gap/ride-through.js';
export { demandContextOf } from './margins/demand-context-of.js';
export type { DemandContext } from './margins/demand-context.js';
export { type Margin, type MarginKey, type Verdict, verdictOf } from './margins/margin.js';
export { startLevels } from './margins/start-levels.js';
export { type DrillNow, OutageDrill } from './outage/drill.js';
export { type HelpfulChange, helpfulChanges } from './help/helpful-changes.js';
export { outageFates, windowFor } from './outage/outage-fates.js';
export { outagePlan, type OutageYear } from './outage/outage-plan.js';
export {
  type OutageEvent,
  type OutageEventKind,
  type OutageRun,
  servedTiers,
  type TierResult,
} from './outage/outage-run.js';
export type { Cause } from './outage/outage-state.js';
export { horizonMin, type OutageStudy, studyYear } from './outage/outage-study.js';
export { type SeasonOutlook } from './outage/outlook-of.js';
export { KeptYear } from './outage/kept-year.js';
export { seedsOf } from './outage/runtime-question.js';
export { outageWeather } from './outage/outage-weather.js';
export { playOutage } from './outage/play-outage.js';
export { reservePoint, type ReservePoint, reserveShares } from './outage/reserve-curve.js';
export { runtimeOutlook } from './outage/runtime-outlook.js';
export { surplusSolarWhPerDay } from './outage/surplus-solar.js';
export { recordSurvived, survivalCurve, type SurvivalPoint } from './outage/survival.js';
export { type MapCell, reachedMin, yearMap } from './outage/year-map.js';
export { pickupLengthS, pickupReport } from './pickup/pickup-report.js';
export { shedTiming } from './pickup/shed-timing.js';
export { sensorPlan } from './sensors/sensor-plan.js';
export { startDemand } from './starts/start-demand.js';
export { usageFigures } from './usage/usage-figures.js';
