export { batteryDrainWh, type DrainPath } from './battery/battery-drain.js';
export { peukertDrainW } from './battery/peukert-drain.js';
export { requiredNameplateWh } from './battery/required-nameplate.js';
export { builtInCatalogue } from './sample/built-in-catalogue.js';
export {
  type Battery,
  type Catalogue,
  catalogueSchema,
  type OverloadPoint,
  type Unit,
  type UnitBody,
} from './catalogue/unit.schema.js';
export { assumedRatings } from './items/assumed-ratings.js';
export { catalogueOf } from './items/catalogue-of.js';
export { type Item, itemSchema } from './items/item.schema.js';
export { type ItemKind, itemKindNames, itemKinds, type RatingGroup } from './items/item-kinds.js';
export { sampleLine } from './sample/sample-line.js';
export { overloadOfShare } from './inverter/overload-of-share.js';
export { type DecisiveMoment, decisiveMoments, startRatio } from './inverter/start-ratio.js';
export { startRoomVA } from './inverter/start-room.js';
export { startShare } from './inverter/start-share.js';
export { acceptedCount } from './stacks/accepted-count.js';
export { assembleStack } from './stacks/assemble-stack.js';
export { enumerateStacks } from './stacks/enumerate-stacks.js';
export { type MeasuredStack, measuredStackSchema } from './stacks/measured.schema.js';
export { type StackPart, stackPartSchema } from './stacks/stack-part.schema.js';
export { batteryCurve, legCurve, type PowerCurve, wholeCurve } from './stacks/power-curves.js';
export { type AssembledStack, mostPowerW, type Stack } from './stacks/stack.js';
export { withMeasured } from './stacks/with-measured.js';
