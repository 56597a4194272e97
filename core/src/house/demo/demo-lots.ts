import { fromFeet as ft } from '../../base/index.js';
import { emptyLot, type Lot } from '../lot/lot.schema.js';
import { rectangleHouse } from '../lot/wall-edits.js';
import { newWall, type Opening, type OpeningKind, type Wall } from '../lot/wall.schema.js';

const thing = (
  id: string,
  kind: OpeningKind,
  [leftM, bottomM]: readonly [number, number],
  [widthM, heightM]: readonly [number, number],
  name = '',
): Opening => ({ id, kind, name, leftM, bottomM, widthM, heightM });

const wall = (id: string, name: string, lengthM: number, heightM: number, said: Partial<Wall>): Wall => ({
  ...newWall(id, name, lengthM, heightM),
  ...said,
});

const studs: Partial<Wall> = {
  construction: 'wood',
  studSpacingM: ft(0, 16),
  firstStudM: ft(0, 8),
  wood: 'spruce-pine-fir',
  coverMm: 13,
};

/** The farmhouse: a garage wall that fits, a sunny wall outdoors beside the gas regulator, a basement. */
export const harbourLot = (): Lot => ({
  ...emptyLot(),
  corners: rectangleHouse(ft(44), ft(30), 158),
  saltAir: true,
  snowM: ft(1, 6),
  seismic: false,
  walls: [
    wall('garage', 'A, garage', ft(20), ft(8, 10), {
      ...studs,
      place: 'attached-garage',
      behind: 'living',
      combustible: false,
      freeBeforeM: ft(5),
      openings: [
        thing('door', 'door', [ft(16, 8), 0], [ft(3), ft(6, 8)]),
        thing('outlet', 'receptacle', [ft(9, 6), ft(1, 4)], [ft(0, 3), ft(0, 5)]),
        thing('bench', 'shelf', [ft(12, 4), 0], [ft(3, 6), ft(3)], 'Workbench'),
        thing('light', 'light', [ft(8), ft(8)], [ft(1), ft(0, 6)]),
      ],
      routes: [
        {
          to: 'panel',
          fromM: ft(1),
          atM: ft(6),
          legs: [
            { kind: 'wall', lengthM: ft(1) },
            { kind: 'surface', lengthM: ft(4) },
          ],
        },
        {
          to: 'array',
          fromM: ft(1),
          atM: ft(8),
          legs: [
            { kind: 'attic', lengthM: ft(18) },
            { kind: 'trench', lengthM: ft(62) },
          ],
        },
      ],
    }),
    wall('porch', 'B, porch side', ft(30), ft(9), {
      ...studs,
      place: 'outdoors',
      behind: 'living',
      front: 'path',
      combustible: true,
      freeBeforeM: ft(12),
      bedroomM: ft(9),
      neighbourM: ft(140),
      eavesDepthM: ft(1, 4),
      eavesHeightM: ft(9),
      side: 0,
      alongM: ft(7),
      openings: [
        thing('window-1', 'window', [ft(4), ft(3)], [ft(3), ft(4)]),
        thing('window-2', 'window', [ft(21), ft(3)], [ft(3), ft(4)]),
        thing('gas', 'gas-meter', [ft(27, 6), ft(1)], [ft(1, 8), ft(2)]),
        thing('tap', 'tap', [ft(12), ft(1, 8)], [ft(0, 4), ft(0, 4)]),
      ],
      routes: [{ to: 'panel', fromM: ft(15), atM: ft(2), legs: [{ kind: 'crawl-space', lengthM: ft(34) }] }],
    }),
    wall('lane', 'C, lane side', ft(24), ft(9), {
      ...studs,
      place: 'outdoors',
      behind: 'utility',
      front: 'driveway',
      combustible: true,
      freeBeforeM: ft(8),
      neighbourM: ft(60),
      eavesDepthM: ft(1, 4),
      eavesHeightM: ft(9),
      side: 2,
      alongM: ft(3),
      openings: [
        thing('meter', 'meter', [ft(3), ft(4, 6)], [ft(1), ft(1, 4)]),
        thing('vent', 'vent', [ft(17), ft(1)], [ft(0, 8), ft(0, 8)]),
      ],
      routes: [
        {
          to: 'panel',
          fromM: ft(3, 6),
          atM: ft(4),
          legs: [
            { kind: 'wall', lengthM: ft(1) },
            { kind: 'surface', lengthM: ft(2) },
          ],
        },
      ],
    }),
    wall('cellar', 'D, cellar', ft(16), ft(6, 9), {
      place: 'basement',
      construction: 'masonry',
      combustible: false,
      freeBeforeM: ft(6),
      lowestC: 6,
      highestC: 21,
      openings: [thing('boiler', 'appliance', [ft(10), 0], [ft(3), ft(5)], 'Boiler')],
      routes: [{ to: 'panel', fromM: 0, atM: ft(5), legs: [{ kind: 'surface', lengthM: ft(22) }] }],
    }),
  ],
  marks: [
    { id: 'meter', kind: 'meter', name: '', eastM: 12.4, northM: 9.6, widthM: 0, depthM: 0 },
    { id: 'drive', kind: 'driveway', name: '', eastM: -4, northM: 13.6, widthM: 16, depthM: 3.2 },
    { id: 'barn', kind: 'building', name: 'Barn', eastM: 22, northM: -6, widthM: 9, depthM: 14 },
    { id: 'generator', kind: 'other', name: 'Oil tank', eastM: -6.5, northM: 2, widthM: 1.6, depthM: 0.8 },
  ],
});

/** The row house: a narrow utility room, a wall to the yard, and a hall where nothing may stand. */
export const vineyardLot = (): Lot => ({
  ...emptyLot(),
  corners: rectangleHouse(7.2, 11, 205),
  saltAir: false,
  walls: [
    wall('utility', 'A, Hauswirtschaft', 3.4, 2.45, {
      place: 'utility-room',
      construction: 'masonry',
      behind: 'garage',
      combustible: false,
      freeBeforeM: 1.3,
      openings: [thing('door', 'door', [2.45, 0], [0.85, 2]), thing('vent', 'vent', [0.3, 2.2], [0.2, 0.2])],
      routes: [{ to: 'panel', fromM: 0, atM: 2.2, legs: [{ kind: 'surface', lengthM: 4.5 }] }],
    }),
    wall('yard', 'B, Hof', 6.2, 2.8, {
      place: 'outdoors',
      construction: 'masonry',
      behind: 'bedroom',
      front: 'clear',
      combustible: false,
      freeBeforeM: 5,
      bedroomM: 1.2,
      neighbourM: 9,
      side: 2,
      alongM: 0.4,
      openings: [thing('window', 'window', [2.2, 0.9], [1.2, 1.3])],
      routes: [
        {
          to: 'panel',
          fromM: 0.2,
          atM: 0.4,
          legs: [
            { kind: 'wall', lengthM: 0.5 },
            { kind: 'surface', lengthM: 7 },
          ],
        },
      ],
    }),
    wall('hall', 'C, Flur', 4, 2.5, {
      place: 'hallway',
      construction: 'masonry',
      combustible: false,
      freeBeforeM: 1.2,
      openings: [thing('panel', 'panel', [0.3, 1], [0.55, 1])],
    }),
  ],
  marks: [
    { id: 'meter', kind: 'meter', name: '', eastM: 0, northM: 0, widthM: 0, depthM: 0 },
    { id: 'yard', kind: 'path', name: 'Hof', eastM: 1, northM: 11, widthM: 6, depthM: 5 },
  ],
});
