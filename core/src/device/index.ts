export { type SystemReading, systemReading, type UnitReading } from './reading/system-reading.js';
export {
  chainRegisters,
  findModels,
  type FoundChain,
  type FoundModel,
  type HeldModel,
  readAll,
  type ReadRegisters,
  sunSpecBases,
} from './sunspec/model-chain.js';
export { modelRegisters, type PointValue, type PointValues, readModel } from './sunspec/model-registers.js';
export { sunSpecModels } from './sunspec/models.js';
export { lengthOf, placeOf, type SunSpecModel } from './sunspec/point.js';
