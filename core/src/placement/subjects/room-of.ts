import { grown, overlap, type Rect } from '../geometry/rect.js';
import type { PlacedThing } from '../things/placed-things.js';
import type { Thing } from '../things/thing.js';

/** The rectangle a thing takes with the room its maker asks for. */
export const roomOf = (placed: PlacedThing): Rect => grown(placed, placed.thing.clear);

/** Two that store energy and were fire-tested beside each other keep the distance of that test, and nothing else. */
export const areTested = (a: Thing, b: Thing): boolean =>
  a.betweenM !== null && b.betweenM !== null && a.energyWh > 0 && b.energyWh > 0;

/** Whether one thing stands in the room the other’s maker asks for. */
export const crowds = (one: PlacedThing, other: PlacedThing): boolean =>
  !areTested(one.thing, other.thing) && (overlap(roomOf(one), other) || overlap(roomOf(other), one));
