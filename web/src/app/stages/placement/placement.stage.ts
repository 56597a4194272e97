import { countOf, type Stage } from '../../shell/stage';

export const placementStage: Stage = {
  path: 'placement',
  name: 'Placement',
  purpose: 'which wall, and will it hold, breathe and pass',
  screen: () => import('./placement-stage').then((m) => m.PlacementStage),
  completeness: ({ lot, placement }) =>
    countOf([
      lot.walls.length > 0,
      lot.walls.every(({ construction, freeBeforeM }) => construction !== null && freeBeforeM !== null),
      placement.placed.length > 0,
    ]),
  findables: ({ lot }) =>
    lot.walls.map(({ id, name }) => ({ id, label: `Wall ${name}`, detail: 'Placement', group: 'Wall' })),
  shortcuts: {
    group: 'Placement',
    rows: [
      { keys: 'arrows', does: 'move what is focused on the wall by 10 mm or ½ in' },
      { keys: 'Shift + arrows', does: 'move it by 100 mm or 4 in' },
      { keys: 'Delete', does: 'take it off the wall' },
    ],
  },
};
