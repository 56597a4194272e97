import type { Lot } from './lot.schema.js';
import { openingKinds, type Wall } from './wall.schema.js';

interface LotProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** A tape is read to the centimetre. */
const slackM = 0.011;
const metres = (value: number): string => `${Math.round(value * 100) / 100} m`;

/** What is wrong with a wall beyond its shapes: openings that reach beyond it, horizons that turn back. */
function wallProblems(wall: Wall, path: LotProblem['path']): LotProblem[] {
  const outside = wall.openings.flatMap(
    ({ kind, name, leftM, widthM, bottomM, heightM }, index): LotProblem[] => {
      const called = name === '' ? openingKinds[kind] : name;
      const at = [...path, 'openings', index];
      if (leftM + widthM > wall.lengthM + slackM)
        return [
          {
            path: [...at, 'leftM'],
            message: `${called} reaches to ${metres(leftM + widthM)}, beyond the ${metres(wall.lengthM)} of wall ${wall.name}. Correct its place or width, or the length of the wall`,
          },
        ];
      if (bottomM + heightM > wall.heightM + slackM)
        return [
          {
            path: [...at, 'bottomM'],
            message: `${called} reaches up to ${metres(bottomM + heightM)}, above the ${metres(wall.heightM)} of wall ${wall.name}. Correct its place or height, or the height of the wall`,
          },
        ];
      return [];
    },
  );
  const unordered = wall.horizon.findIndex(
    ({ azimuthDeg }, index) => index > 0 && azimuthDeg <= wall.horizon[index - 1]!.azimuthDeg,
  );
  const { lowestC, highestC } = wall;
  return [
    ...outside,
    ...(unordered < 0
      ? []
      : [
          {
            path: [...path, 'horizon', unordered],
            message: `Give the horizon of wall ${wall.name} in the order of its directions, each once`,
          },
        ]),
    ...(lowestC !== null && highestC !== null && lowestC > highestC
      ? [{ path: [...path, 'lowestC'], message: 'The lowest temperature is above the highest' }]
      : []),
  ];
}

const twice = (ids: readonly string[], path: LotProblem['path'], what: string): LotProblem[] =>
  ids.flatMap((id, index) =>
    ids.indexOf(id) === index
      ? []
      : [{ path: [...path, index, 'id'], message: `Two ${what} share the identifier "${id}"` }],
  );

/** What the shapes of a lot alone cannot say, by its path. */
export function lotProblems(lot: Lot): LotProblem[] {
  const { walls, marks, corners } = lot;
  return [
    ...twice(
      walls.map(({ id }) => id),
      ['lot', 'walls'],
      'walls',
    ),
    ...twice(
      marks.map(({ id }) => id),
      ['lot', 'marks'],
      'things on the lot',
    ),
    ...walls.flatMap((wall, index) => [
      ...twice(
        wall.openings.map(({ id }) => id),
        ['lot', 'walls', index, 'openings'],
        'things on a wall',
      ),
      ...wallProblems(wall, ['lot', 'walls', index]),
      ...(wall.side !== null && wall.side >= Math.max(1, corners.length)
        ? [
            {
              path: ['lot', 'walls', index, 'side'],
              message: `Wall ${wall.name} is on a side the outline does not have`,
            },
          ]
        : []),
    ]),
  ];
}
