export { aged } from './brief/aged.js';
export { asNew } from './brief/as-new.js';
export {
  backupSchema,
  type School,
  schools,
  type ServiceBackup,
  serviceBackupSchema,
} from './backup/backup.schema.js';
export { type BenchItem, benchItems } from './backup/bench-items.js';
export { laneOfCircuits } from './backup/circuit-lanes.js';
export { compareLists, type ListDifference } from './equipment/compare-lists.js';
export { moveToList } from './equipment/move-to-list.js';
export { measuredIn, takeMeasured } from './equipment/take-measured.js';
export { asMeasured, stackIn } from './equipment/stack-in.js';
export { type EquipmentUse, sampleLineOnly } from './equipment/equipment-list.schema.js';
export { itemsFor, nothingOffered, type OfferedItems } from './equipment/items-for.js';
export { chooseFor, chosenFor, type Island, islandOf, islandsOf } from './backup/islands.js';
export { addLoads, keepLoads, keepOnly, keptLoads } from './backup/kept-loads.js';
export { leaveOff, unplug, unpluggedLoads } from './backup/unplugged.js';
export { type Presence, presences, runningLoads } from './backup/presence.js';
export { type Standing, standings } from './backup/lane-of.js';
export { type Lane, lanes, type Shed, shedSchema, usualShed } from './backup/lane.schema.js';
export { movedCircuits } from './backup/moved-circuits.js';
export { changeShed, moveToLane } from './backup/move-to-lane.js';
export { coversOf, everythingRuns, leftOutLane, schoolFacts } from './backup/school-facts.js';
export { isBehindMains, islandIdsOf, isolatedPanelIds } from './backup/isolation-points.js';
export {
  changeServiceBackup,
  hostOf,
  isolateMains,
  joinService,
  serviceBackup,
  splicedPanelId,
} from './backup/service-backup.js';
export { setSoftStarter, softStarted, softStart, withSoftStarts } from './backup/soft-starters.js';
export { settleBackup } from './backup/settle-backup.js';
export {
  type Brief,
  briefSchema,
  type GoalWeight,
  type OutageWeather,
  type AdditionKind,
  type PlannedAddition,
  plannedAdditionSchema,
} from './brief/brief.schema.js';
export { type OpenPoint, openPointSchema } from './brief/open-point.schema.js';
export { plannedLoad } from './brief/planned-load.js';
export { plannedLoads } from './brief/planned-loads.js';
export { prepareFor } from './brief/prepare-for.js';
export {
  emptyPlacement,
  type Placed,
  type Placement,
  placementSchema,
  placedSchema,
  put,
  sayOfWall,
  takeDown,
  type WallWork,
  wallWork,
  wallWorkSchema,
} from './placement/placement.schema.js';
export {
  alongWallM,
  equipmentRoute,
  legLabour,
  legWarnings,
  placedRoute,
  type Route,
  type RouteEnd,
  routeEnds,
  routeOf,
  wallRoute,
} from './placement/route-of.js';
export { type Settings, settingsOf } from './brief/settings.js';
export {
  type DailyUse,
  dailyUseSchema,
  emptyDailyUse,
  strategies,
  type Strategy,
} from './daily/daily-use.schema.js';
export { type DailySettings, dailySettingsOf } from './daily/daily-settings.js';
export { emptyFinance, type Finance, financeSchema } from './daily/finance.schema.js';
export { withExisting } from './sources/with-existing.js';
export { demoPlans } from './demo/demo-plans.js';
export { changeSupply } from './plan/change-supply.js';
export { changeTimeZone } from './plan/change-time-zone.js';
export { circuitsFromLoads } from './plan/circuits-from-loads.js';
export { emptyPlan } from './plan/empty-plan.js';
export { islandPlan } from './plan/island-plan.js';
export { planProblems } from './plan/plan-problems.js';
export { designSlices, houseSlices, maxLoads } from './plan/plan.schema.js';
export type { Plan } from './plan/plan.js';
export { sameToStudies, studiedPart } from './plan/same-to-studies.js';
export { settlePlan } from './plan/settle-plan.js';
export { offWhileItRuns } from './sources/off-while-it-runs.js';
export { arrayCircuits } from './sources/array-circuits.js';
export { arrayInverterW, usualInverterW } from './sources/array-inverter.js';
export { nearestClimate, outageSettingsOf } from './sources/outage-settings.js';
export { emptyScenario, type Scenario, scenarioSchema } from './sources/scenario.schema.js';
export { modulesText, readModules, withModules } from './sources/read-modules.js';
export {
  emptySources,
  type Generator,
  generatorSchema,
  maxArrays,
  type Modules,
  modulesSchema,
  type SolarArray,
  solarArraySchema,
  type Sources,
  type Vehicle,
  vehicleSchema,
} from './sources/sources.schema.js';
export {
  emptyWiring,
  type Earthing,
  type IslandWiring,
  islandWiring,
  islandWiringSchema,
  nudge,
  type Nudge,
  type PartSaid,
  partSaid,
  partSaidSchema,
  sayOfIsland,
  sayOfPart,
  sayOfString,
  stringSaid,
  type StringSaid,
  stringSaidSchema,
  type Wiring,
  type WiringInterlock,
  wiringSchema,
} from './wiring/wiring.schema.js';
export { usualArray, usualGenerator, usualReturnMin, usualVehicle } from './sources/usual-sources.js';
