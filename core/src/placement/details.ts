/** Rules, search and drawings of walls: loaded with the stage that shows them. */
export {
  checkPlacement,
  type CheckedPlacement,
  type PlacementFinding,
  type PlacementMargin,
  placementSubjects,
} from './check-placement.js';
export { type ClimateFacts, climateFacts } from './climate/climate-facts.js';
export { type Hold, holdOf, standsOn, studsOf } from './holding/hold-of.js';
export { type Rect } from './geometry/rect.js';
export {
  rankWalls,
  searchWall,
  type WallComfort,
  type WallOffer,
  type WallRefusal,
  type WallSearch,
} from './search/search-walls.js';
export { roomOf } from './subjects/room-of.js';
export { type Clearances, type Thing, type ThingKind } from './things/thing.js';
export { thingsOf } from './things/things-of.js';
export { openingName, type PlacedThing, placedThings } from './things/placed-things.js';
export { type ElevationDrawing, elevationDrawing, type ElevationFrame } from './drawing/elevation-drawing.js';
export { drawnLength, lengthText } from './drawing/length-text.js';
export { lotDrawing } from './drawing/lot-drawing.js';
export { type PreparationLine, preparationList } from './preparation/preparation-list.js';
export { wallComfort } from './search/wall-comfort.js';
export { snap, type Snapped } from './moving/snap.js';
export type { PlacementPlan } from './things/placement-plan.js';
