import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { facingOf, sideFacingDeg } from './facing-of.js';
import { emptyLot } from './lot.schema.js';
import { lotProblems } from './lot-problems.js';
import { newOpening } from './new-opening.js';
import { photoToWall, wallToPhoto } from './trace-photo.js';
import { addWall, changeWall, nextWallName, rectangleHouse, removeWall } from './wall-edits.js';
import { newWall, type OpeningKind, openingKinds, wallSchema } from './wall.schema.js';

describe('the outline of a house', () => {
  it('has sides that face as one who stands before them sees: front, right, back, left', () => {
    const corners = rectangleHouse(12, 9, 180);
    expect(corners).toEqual([
      { eastM: 0, northM: 0 },
      { eastM: 12, northM: 0 },
      { eastM: 12, northM: 9 },
      { eastM: 0, northM: 9 },
    ]);
    expect([0, 1, 2, 3].map((side) => sideFacingDeg({ corners }, side))).toEqual([180, 90, 0, 270]);
    expect(sideFacingDeg({ corners }, 4)).toBeNull();
  });
  it('turns with its front', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), fc.integer({ min: 0, max: 3 }), (front, side) => {
        const corners = rectangleHouse(11, 7, front);
        const facing = sideFacingDeg({ corners }, side)!;
        expect(((facing - front + 90 * side + 720 + 180) % 360) - 180).toBeCloseTo(0, 1);
      }),
    );
  });
  it('gives a wall its direction, unless somebody said another', () => {
    const lot = { corners: rectangleHouse(12, 9, 180) };
    expect(facingOf(lot, { facingDeg: null, side: 1 })).toBe(90);
    expect(facingOf(lot, { facingDeg: 77, side: 1 })).toBe(77);
    expect(facingOf(lot, { facingDeg: null, side: null })).toBeNull();
  });
});

describe('walls', () => {
  it('get the next letter, and what the last one was made of', () => {
    let lot = emptyLot();
    for (let count = 0; count < 28; count += 1) lot = addWall(lot, `w${count}`);
    expect(lot.walls.map(({ name }) => name).slice(24)).toEqual(['Y', 'Z', 'A2', 'B2']);
    expect(nextWallName(removeWall(lot, 'w1'))).toBe('B');
    const brick = addWall(changeWall(addWall(emptyLot(), 'a'), 'a', { construction: 'masonry' }), 'b');
    expect(brick.walls[1]!.construction).toBe('masonry');
  });

  it('hold openings of every kind that fit them, however small they are', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(openingKinds) as OpeningKind[])),
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (kind, lengthM, heightM) => {
          const wall = newWall('w', 'A', lengthM, heightM);
          const full = { ...wall, openings: [newOpening('o', kind, wall)] };
          expect(wallSchema.safeParse(full).success).toBe(true);
          expect(lotProblems({ ...emptyLot(), walls: [full] })).toEqual([]);
        },
      ),
    );
  });

  it('say what is wrong with what was entered, and what to change', () => {
    const wall = newWall('w', 'A', 4, 2.5);
    const problems = (change: object): string[] =>
      lotProblems({ ...emptyLot(), walls: [{ ...wall, ...change }] }).map(({ message }) => message);
    const door = newOpening('d', 'door', wall);
    expect(problems({ openings: [{ ...door, leftM: 3.5 }] })[0]).toContain('beyond the 4 m of wall A');
    expect(problems({ openings: [{ ...door, bottomM: 1 }] })[0]).toContain('above the 2.5 m of wall A');
    expect(problems({ openings: [door, door] })[0]).toContain('share the identifier');
    expect(problems({ lowestC: 20, highestC: 10 })[0]).toContain('lowest');
    expect(
      problems({
        horizon: [
          { azimuthDeg: 90, elevationDeg: 1 },
          { azimuthDeg: 80, elevationDeg: 1 },
        ],
      })[0],
    ).toContain('order');
    expect(problems({ side: 2 })[0]).toContain('side');
    const zero = wallSchema.safeParse({ ...wall, studSpacingM: 0 });
    expect(zero.success ? '' : zero.error.issues[0]!.message).toBe('Enter at least 0.2 m');
  });
});

describe('a wall traced over a photo', () => {
  const trace = {
    corners: [
      { x: 0.1, y: 0.9 },
      { x: 0.8, y: 0.8 },
      { x: 0.75, y: 0.2 },
      { x: 0.15, y: 0.1 },
    ],
    leftM: 1,
    bottomM: 0,
    widthM: 3,
    heightM: 2,
  };
  it('has its known corners where they are', () => {
    const at = trace.corners.map((corner) => photoToWall(trace, corner)!);
    expect(
      at.map(({ leftM, bottomM }) => [leftM, bottomM].map((m) => Math.round(m * 1e6) / 1e6 + 0)),
    ).toEqual([
      [1, 0],
      [4, 0],
      [4, 2],
      [1, 2],
    ]);
  });
  it('keeps straight lines straight: the middle of the rectangle is where its diagonals cross', () => {
    // Diagonals of the four corners, cut by hand: (0.1,0.9)–(0.75,0.2) and (0.8,0.8)–(0.15,0.1).
    const t = 0.7 / 1.4;
    const cross = { x: 0.1 + 0.65 * t, y: 0.9 - 0.7 * t };
    const middle = wallToPhoto(trace, { leftM: 2.5, bottomM: 1 })!;
    const onFirst = (middle.x - 0.1) * -0.7 - (middle.y - 0.9) * 0.65;
    const onSecond = (middle.x - 0.8) * -0.7 - (middle.y - 0.8) * -0.65;
    expect(onFirst).toBeCloseTo(0, 9);
    expect(onSecond).toBeCloseTo(0, 9);
    expect(Math.abs(middle.x - cross.x)).toBeLessThan(0.1);
  });
  it('goes there and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (leftM, bottomM) => {
          const back = photoToWall(trace, wallToPhoto(trace, { leftM, bottomM })!)!;
          expect(back.leftM).toBeCloseTo(leftM, 6);
          expect(back.bottomM).toBeCloseTo(bottomM, 6);
        },
      ),
    );
  });
  it('is refused where the corners lie on a line', () => {
    const flat = { ...trace, corners: [0, 1, 2, 3].map((at) => ({ x: at / 4, y: at / 4 })) };
    expect(photoToWall(flat, { x: 0.5, y: 0.5 })).toBeNull();
  });
});
