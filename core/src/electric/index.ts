export { acOfDcW } from './conversion/ac-of-dc.js';
export { dcChargeEfficiency } from './conversion/dc-charge-efficiency.js';
export { dcOfAcW } from './conversion/dc-of-ac.js';
export {
  batteryTemperaturesC,
  chargeShareAt,
  chargeTaper,
  dischargeShareAt,
  dischargeTaper,
} from './battery/battery-limits.js';
export type { Chemistry } from './battery/chemistry.js';
export { peukertTimeH } from './battery/peukert-time.js';
export { stagedRuntime } from './battery/staged-runtime.js';
export { stateOfHealth } from './battery/state-of-health.js';
export { temperatureFactor } from './battery/temperature-factor.js';
export { type Runtime, worstRuntime } from './battery/worst-runtime.js';
export { worstWindow } from './battery/worst-window.js';
export {
  type AmericanSize,
  type Conductor,
  type ConductorMaterial,
  conductorMaterials,
  conductorSchema,
  type ConductorSize,
  conductorSizes,
  conductorText,
  isMetricSize,
  type MetricSize,
} from './conductors/conductor.schema.js';
export { BoundedDemand } from './distributions/bounded-demand.js';
export { coincidentDemandVA } from './distributions/coincident-demand.js';
export { DemandDistribution } from './distributions/demand-distribution.js';
export { differenceQuantile } from './distributions/difference-quantile.js';
export { StepSum } from './distributions/step-sum.js';
export { iticRideThroughS } from './gap/itic-curve.js';
export type { TripLevel } from './overload/trip-level.js';
export { type Retry, type TripEvent, tripRun, type TripRun } from './overload/trip-run.js';
export { noticeableDipShare, voltageDipShare } from './overload/voltage-dip.js';
export { type CodeLetter, codeLetterKVAPerHp, codeLetters } from './starts/code-letters.js';
export { pickupPeakVA, pickupVA, type Restart, staggered } from './starts/cold-pickup.js';
export { fullLoadCurrentA } from './starts/full-load-current.js';
export {
  fallLevel,
  lockedRotorPowerFactor,
  plateauShare,
  startBends,
  startPowerFactor,
  startShape,
  startShapeBefore,
} from './starts/start-shape.js';
export { apparentPowerVA } from './supply/apparent-power.js';
export { currentA } from './supply/current.js';
export { currentOnLegsA } from './supply/current-on-legs.js';
export { isAmerican } from './supply/is-american.js';
export { legShare } from './supply/leg-share.js';
export { readLegs } from './supply/read-legs.js';
export { type Leg, type LegSet, legSets, legSetSchema, legsOf, systemFacts } from './supply/legs.js';
export { lagOf, type LagRange, worstNeutralVA } from './supply/neutral-current.js';
export { phasorSumVA } from './supply/phasor-sum.js';
export { remapLegs } from './supply/remap-legs.js';
export { supplyVoltageV } from './supply/supply-voltage.js';
export {
  type Supply,
  supplySchema,
  type SupplySystem,
  supplySystems,
  supplySystemSchema,
} from './supply/supply.schema.js';
