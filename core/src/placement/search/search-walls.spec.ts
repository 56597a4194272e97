import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alongWallM, emptyPlan, type Plan, wallRoute } from '../../design/index.js';
import type { Wall } from '../../house/index.js';
import { aThing, anOpening, aWall, placedPlan } from '../testing/placed.js';
import type { Thing } from '../things/thing.js';
import { rankWalls, searchWall } from './search-walls.js';
import { WallJudge } from './wall-judge.js';

const units = (quantity: number, changes: Partial<Thing> = {}): Thing[] =>
  Array.from({ length: quantity }, (_, index) =>
    aThing({ id: `unit:house:box:${index + 1}`, name: `Box ${index + 1}`, ...changes }),
  );

/** Every way to put the things on the grid, judged as a whole: the least sum of ways to the panel. */
function brute(plan: Plan, things: readonly Thing[], wall: Wall, stepM: number): number {
  const judge = new WallJudge(plan, []);
  const route = wallRoute(wall, 'panel');
  const spots = things.map((thing) => {
    const all: {
      thing: Thing;
      wall: Wall;
      leftM: number;
      bottomM: number;
      widthM: number;
      heightM: number;
    }[] = [];
    for (let x = 0; x <= wall.lengthM - thing.widthM + 1e-9; x += stepM)
      for (let y = 0; y <= wall.heightM - thing.heightM + 1e-9; y += stepM)
        all.push({ thing, wall, leftM: x, bottomM: y, widthM: thing.widthM, heightM: thing.heightM });
    return all;
  });
  let best = Infinity;
  const walk = (chosen: (typeof spots)[number], cost: number): void => {
    if (cost >= best) return;
    if (chosen.length === things.length) {
      if (judge.allows(chosen)) best = cost;
      return;
    }
    for (const spot of spots[chosen.length]!)
      walk([...chosen, spot], cost + (route ? alongWallM(spot, route) : spot.leftM));
  };
  walk([], 0);
  return best;
}

describe('the search of a wall', () => {
  it('comes to what trying every place comes to, on coarse grids', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }),
        fc.double({ min: 2.5, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.constantFrom('door' as const, 'gas-meter' as const, 'shelf' as const, 'panel' as const),
        fc.constantFrom(0.8, 1.2),
        fc.constantFrom(null, 0.1),
        fc.constantFrom('split-120-240' as const, 'single-230' as const),
        (quantity, lengthM, doorM, kind, heightM, betweenM, system) => {
          const stepM = 0.5;
          const wall = aWall({
            lengthM,
            heightM: 2.4,
            construction: null,
            openings: [
              anOpening({ kind, leftM: Math.min(doorM, lengthM - 0.9) }),
              anOpening({ id: 'meter', kind: 'panel', leftM: 0.2, widthM: 0.3, bottomM: 1.9, heightM: 0.4 }),
            ],
          });
          const things = units(quantity, {
            heightM,
            betweenM,
            clear: { aboveM: 0.1, belowM: 0.1, besideM: 0.1, frontM: 0.5 },
          });
          const plan = placedPlan(emptyPlan(system), [wall], []);
          const found = searchWall(plan, things, things, wall, stepM, null);
          const least = brute(plan, things, wall, stepM);
          if ('places' in found) {
            expect(found.proved).toBe(true);
            expect(found.effortM).toBeCloseTo(least, 6);
          } else expect(least).toBe(Infinity);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('says why a wall holds none', () => {
    const plan = placedPlan(emptyPlan(), [], []);
    const reasons = (wall: Wall, quantity = 1): string => {
      const things = units(quantity);
      const found = searchWall(plan, things, things, wall, 0.05, null);
      return 'reasons' in found ? found.reasons.join('; ') : 'it holds';
    };
    expect(reasons(aWall({ place: 'bedroom' }))).toContain('may not stand there, wherever it is');
    expect(reasons(aWall({ lengthM: 0.5 }))).toBe('Box 1 is larger than the wall');
    expect(reasons(aWall({ lengthM: 2 }), 2)).toContain('do not fit beside each other');
    expect(reasons(aWall({ lengthM: 2.4, openings: [anOpening({ leftM: 1 })] }))).toContain('too near');
    expect(reasons(aWall())).toBe('it holds');
    // 50 kWh in a basement, where 40 may stand (IRC R328.5, recalled).
    expect(reasons(aWall({ place: 'basement', lengthM: 12 }), 5)).toContain(
      'more energy than may stand there',
    );
  });

  it('ranks by the way to the panel, by heat and cold, and by room for one more', () => {
    const route = (lengthM: number): Wall['routes'] => [
      { to: 'panel', fromM: 0, atM: 1, legs: [{ kind: 'surface', lengthM }] },
    ];
    const walls = [
      aWall({ id: 'far', routes: route(20) }),
      aWall({ id: 'near', routes: route(2) }),
      aWall({ id: 'hot', routes: route(2) }),
      aWall({ id: 'small', routes: route(2), lengthM: 1 }),
    ];
    const things = units(1);
    const plan = placedPlan(emptyPlan(), walls, []);
    const { offers } = rankWalls(
      walls.map((wall) =>
        searchWall(plan, things, things, wall, 0.05, {
          hottestC: wall.id === 'hot' ? 60 : 35,
          coldH: 0,
          forbids: '',
        }),
      ),
    );
    expect(offers.map(({ wallId }) => wallId)).toEqual(['near', 'small', 'hot', 'far']);
    expect(offers.map(({ grows }) => grows)).toEqual([true, false, true, true]);
  });
});
