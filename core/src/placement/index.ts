export { type StackClimate, stackClimate } from './climate/stack-climate.js';
export { type Clearances, type Thing, type ThingKind } from './things/thing.js';
export { thingsOf } from './things/things-of.js';
export { type PlacedThing, placedThings } from './things/placed-things.js';
