import type { Plan } from '../../design/index.js';
import { type Opening, openingKinds, type Wall } from '../../house/index.js';
import type { Rect } from '../geometry/rect.js';
import type { Thing } from './thing.js';

/** A thing where it is put. */
export interface PlacedThing extends Rect {
  readonly thing: Thing;
  readonly wall: Wall;
}

/** The things of a design that are put somewhere, in their order. */
export function placedThings(
  { lot, placement }: Pick<Plan, 'lot' | 'placement'>,
  things: readonly Thing[],
): PlacedThing[] {
  const walls = new Map(lot.walls.map((wall) => [wall.id, wall]));
  const places = new Map(placement.placed.map((place) => [place.thingId, place]));
  return things.flatMap((thing) => {
    const place = places.get(thing.id);
    const wall = place && walls.get(place.wallId);
    return wall
      ? [
          {
            thing,
            wall,
            leftM: place.leftM,
            bottomM: place.bottomM,
            widthM: thing.widthM,
            heightM: thing.heightM,
          },
        ]
      : [];
  });
}

/** What an opening is called. */
export const openingName = ({ kind, name }: Pick<Opening, 'kind' | 'name'>): string =>
  name === '' ? openingKinds[kind] : name;
