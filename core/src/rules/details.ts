/** What the wiring looks up: nothing of it is loaded with the first stage. */
export {
  type BusbarClauses,
  type BusbarWay,
  type BusbarWayId,
  busbarWays,
  type FedBusbar,
} from './busbar/busbar-705-12.js';
export {
  type ConductorNeed,
  judgeConductor,
  type Laying,
  type SizedConductor,
  sizeConductor,
} from './conductors/size-conductor.js';
export { judgeTap } from './conductors/tap-rule.js';
export { conductorAreaMm2 } from './earth/conductor-area.js';
export { coldVoltageV } from './dc/array-string.js';
export { resistanceOhmPerM } from './drop/resistance.js';
export { advisedDrop, voltageDropShare } from './drop/voltage-drop.js';
export { batteryCurrentA, lowestVoltageV, parallelCurrentsA, stringFuseA } from './dc/battery-circuit.js';
export { electrodeConductor } from './earth/electrode-conductor.js';
export { equipmentEarth } from './earth/equipment-earth.js';
export { magneticTimes } from './fault/disconnection.js';
export { faultAfterRunA, transformerFaultA } from './fault/fault-current.js';
export { type ConduitFill, conduitFor } from './raceways/conduit-fill.js';
export { iecSigns, necSigns, type SignPlace } from './signs/sign-texts.js';
export { signLines, type SignSize, signSize } from './signs/sign-size.js';
