import { facingOf } from '../../house/index.js';
import type { PlacedOnLot } from './placed-on-lot.js';
import { wallWork } from './placement.schema.js';

/** Of a thing that is a unit. */
const isUnit = ({ thingId }: { readonly thingId: string }): boolean => thingId.startsWith('unit:');

/**
 * What of lot and placement a study of an outage sees: how warm and how sunny it is where the units are. Whoever moves one along its wall changes nothing of it.
 */
export const heatOf = ({ lot, placement }: PlacedOnLot): readonly unknown[] =>
  placement.placed.length === 0
    ? []
    : [
        placement.absorptance,
        ...placement.placed.filter(isUnit).flatMap(({ thingId, wallId, bottomM }) => {
          const wall = lot.walls.find(({ id }) => id === wallId);
          if (!wall) return [];
          const { place, lowestC, highestC, eavesDepthM, eavesHeightM, heightM, horizon } = wall;
          const { shade } = wallWork(placement, wallId);
          // Only under eaves and outdoors does its height matter.
          const height = eavesDepthM === null ? null : bottomM;
          return [
            [
              thingId,
              place,
              lowestC,
              highestC,
              facingOf(lot, wall),
              eavesDepthM,
              eavesHeightM,
              heightM,
              horizon,
              shade,
              height,
            ],
          ];
        }),
      ];
