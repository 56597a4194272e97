export {
  backupSchema,
  type BondPlace,
  bondPlaces,
  type IsolatingDevice,
  isolatingDevices,
  type School,
  schools,
  type ServiceBackup,
  serviceBackupSchema,
} from './backup/backup.schema.js';
export { type BenchItem, benchItems } from './backup/bench-items.js';
export { chooseFor, chosenFor, type Island, islandsOf } from './backup/islands.js';
export { type Standing, standings } from './backup/lane-of.js';
export { changeShed, moveToLane } from './backup/move-to-lane.js';
export { coversOf, leftOutLane, schoolFacts } from './backup/school-facts.js';
export { changeServiceBackup, serviceBackup } from './backup/service-backup.js';
export { settlePlan } from './backup/settle-plan.js';
export {
  type Brief,
  briefSchema,
  type GoalWeight,
  type OutageWeather,
  type PlannedAddition,
  plannedAdditionSchema,
  type PowerBasis,
} from './brief/brief.schema.js';
export { plannedLoad } from './brief/planned-load.js';
export { type Settings, settingsOf } from './brief/settings.js';
export { demoPlans } from './demo/demo-plans.js';
export { changeSupply } from './plan/change-supply.js';
export { emptyPlan } from './plan/empty-plan.js';
export { islandPlan } from './plan/island-plan.js';
export { planProblems } from './plan/plan-problems.js';
export { maxLoads, planSlices } from './plan/plan.schema.js';
export type { Plan } from './plan/plan.js';
export { arrayInverterW, usualInverterW } from './sources/array-inverter.js';
export { nearestClimate, outageSettingsOf } from './sources/outage-settings.js';
export {
  emptyScenario,
  type Generator,
  generatorSchema,
  maxArrays,
  type Scenario,
  scenarioSchema,
  type SolarArray,
  solarArraySchema,
  type Vehicle,
  vehicleSchema,
} from './sources/scenario.schema.js';
export { usualArray, usualGenerator } from './sources/usual-sources.js';
