/** Rules, search and drawings of walls: loaded with the stage that shows them. */
export { type ClimateFacts, climateFacts } from './climate/climate-facts.js';
export { usualAbsorptance } from './climate/placed-climate.js';
export {
  type CheckedPlacement,
  checkPlacement,
  type PlacementFinding,
  type PlacementMargin,
  placementSubjects,
} from './check-placement.js';
export { elevationDrawing } from './drawing/elevation-drawing.js';
export { drawnLength } from './drawing/length-text.js';
export { lengthText } from './drawing/length-text.js';
export { lotDrawing } from './drawing/lot-drawing.js';
export { snap } from './moving/snap.js';
export { preparationList } from './preparation/preparation-list.js';
export { rankWalls, searchWall, type WallOffer, type WallSearch } from './search/search-walls.js';
export { wallComfort } from './search/wall-comfort.js';
export { openingName, type PlacedThing, placedThings } from './things/placed-things.js';
export type { Thing } from './things/thing.js';
export { thingsOf } from './things/things-of.js';
