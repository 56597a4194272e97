import type { Lot } from './lot.schema.js';
import { newWall, type Wall } from './wall.schema.js';

/** The next letter no wall has yet: A to Z, then A2. */
export function nextWallName({ walls }: Pick<Lot, 'walls'>): string {
  // “A, garage” has the letter A.
  const taken = new Set(walls.map(({ name }) => /^[A-Z]\d*\b/.exec(name)?.[0] ?? name));
  for (let round = 1; ; round += 1)
    for (const letter of 'ABCDEFGHIJKLMNOPQRSTUVWXYZ') {
      const name = round === 1 ? letter : `${letter}${round}`;
      if (!taken.has(name)) return name;
    }
}

/** The lot with one wall more: like the last one in place and make, 4 m × 2.5 m where there is none. */
export function addWall(lot: Lot, id: string): Lot {
  const last = lot.walls.at(-1);
  const fresh = newWall(id, nextWallName(lot), last?.lengthM ?? 4, last?.heightM ?? 2.5);
  const wall: Wall = last
    ? {
        ...fresh,
        place: last.place,
        construction: last.construction,
        studSpacingM: last.studSpacingM,
        wood: last.wood,
        coverMm: last.coverMm,
        combustible: last.combustible,
      }
    : fresh;
  return { ...lot, walls: [...lot.walls, wall] };
}

/** The lot with something else said of a wall. */
export const changeWall = (lot: Lot, id: string, change: Partial<Wall>): Lot => ({
  ...lot,
  walls: lot.walls.map((wall) => (wall.id === id ? { ...wall, ...change } : wall)),
});

export const removeWall = (lot: Lot, id: string): Lot => ({
  ...lot,
  walls: lot.walls.filter((wall) => wall.id !== id),
});

/**
 * A house of four corners whose front faces a direction, on the origin of the plan; sides are front, right, back, left as one stands before it.
 *
 * @param facingDeg of its front, clockwise from north
 */
export function rectangleHouse(widthM: number, depthM: number, facingDeg: number): Lot['corners'] {
  const turn = ((facingDeg - 180) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const clean = (value: number): number => Math.round(value * 1000) / 1000 + 0;
  return [
    [0, 0],
    [widthM, 0],
    [widthM, depthM],
    [0, depthM],
  ].map(([x, y]) => ({ eastM: clean(x! * cos + y! * sin), northM: clean(-x! * sin + y! * cos) }));
}
