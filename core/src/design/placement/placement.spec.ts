import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newWall, type Wall } from '../../house/index.js';
import { emptyPlan } from '../plan/empty-plan.js';
import { planProblems } from '../plan/plan-problems.js';
import { settlePlan } from '../plan/settle-plan.js';
import { emptyPlacement, placementSchema, put, sayOfWall, takeDown, wallWork } from './placement.schema.js';
import {
  alongWallM,
  equipmentRoute,
  legLabour,
  placedRoute,
  routeEnds,
  routeOf,
  wallRoute,
} from './route-of.js';

const wall: Wall = {
  ...newWall('w', 'A', 6, 2.5),
  openings: [{ id: 'p', kind: 'panel', name: '', leftM: 0.2, bottomM: 1, widthM: 0.4, heightM: 0.8 }],
  routes: [
    {
      to: 'array',
      fromM: 3,
      atM: 2,
      legs: [
        { kind: 'attic', lengthM: 4 },
        { kind: 'trench', lengthM: 10 },
      ],
    },
  ],
};
const place = { thingId: 'unit:house:x:1', wallId: 'w', leftM: 1, bottomM: 0.5 };

describe('what is put on walls', () => {
  it('is put, moved and taken down by its name', () => {
    const once = put(emptyPlacement(), [place]);
    const moved = put(once, [{ ...place, leftM: 2 }]);
    expect(moved.placed).toEqual([{ ...place, leftM: 2 }]);
    expect(takeDown(moved, [place.thingId]).placed).toEqual([]);
    expect(takeDown(moved, ['other']).placed).toHaveLength(1);
  });
  it('stays valid whatever is put', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            thingId: fc.constantFrom('unit:a:b:1', 'unit:a:b:2', 'gutter:a'),
            wallId: fc.constant('w'),
            leftM: fc.double({ min: -5, max: 65, noNaN: true }),
            bottomM: fc.double({ min: -1, max: 20, noNaN: true }),
          }),
        ),
        (places) => {
          const placement = places.reduce((now, one) => put(now, [one]), emptyPlacement());
          expect(placementSchema.safeParse(placement).success).toBe(true);
          expect(new Set(placement.placed.map(({ thingId }) => thingId)).size).toBe(placement.placed.length);
        },
      ),
    );
  });
  it('and what is done at walls is forgotten with the wall', () => {
    const plan = emptyPlan();
    const placement = sayOfWall(put(plan.placement, [place]), 'w', { detection: true });
    const there = settlePlan({ ...plan, lot: { ...plan.lot, walls: [wall] }, placement });
    expect(there.placement).toBe(placement);
    expect(wallWork(there.placement, 'w').detection).toBe(true);
    const gone = settlePlan({ ...there, lot: { ...there.lot, walls: [] } });
    expect([gone.placement.placed, gone.placement.works]).toEqual([[], []]);
    expect(wallWork(gone.placement, 'w').detection).toBeNull();
  });
  it('an opening beyond its wall is a problem of the plan, with what to change', () => {
    const plan = emptyPlan();
    const wide = { ...wall, lengthM: 0.4 };
    const [problem] = planProblems({ ...plan, lot: { ...plan.lot, walls: [wide] } });
    expect(problem!.path).toEqual(['lot', 'walls', 0, 'openings', 0, 'leftM']);
    expect(problem!.message).toContain('Correct its place or width');
  });
});

describe('conduits', () => {
  const at = { leftM: 1, bottomM: 0.5, widthM: 0.6, heightM: 1 };
  it('run along the wall from the middle of a thing, then as the wall says', () => {
    const route = routeOf(at, wall, 'array')!;
    // 1.7 m across, 1 m up.
    expect(route.legs[0]).toEqual({ kind: 'surface', lengthM: expect.closeTo(2.7, 9) as number });
    expect(route.lengthM).toBeCloseTo(16.7, 9);
    expect(route.effortM).toBeCloseTo(2.7 + 4 * legLabour.attic + 10 * legLabour.trench, 9);
  });
  it('lead to a panel on the wall itself where nothing else is said; nowhere where nobody knows', () => {
    expect(wallRoute(wall, 'panel')).toEqual({ to: 'panel', fromM: 0.4, atM: 1.4, legs: [] });
    expect(routeOf(at, wall, 'generator')).toBeNull();
    const said = { ...wall, routes: [{ to: 'panel' as const, fromM: 6, atM: 0, legs: [] }] };
    expect(wallRoute(said, 'panel')!.fromM).toBe(6);
  });
  it('are those of a unit that is put up, and of the first that is', () => {
    const plan = { lot: { ...emptyPlan().lot, walls: [wall] }, placement: put(emptyPlacement(), [place]) };
    const size = { widthM: 0.6, heightM: 1 };
    expect(placedRoute(plan, place.thingId, size, 'array')!.lengthM).toBeCloseTo(16.7, 9);
    expect(placedRoute(plan, 'unit:house:x:2', size, 'array')).toBeNull();
    expect(equipmentRoute(plan, 'array')!.lengthM).toBeCloseTo(2 + 1.5 + 14, 9);
    expect(equipmentRoute({ ...plan, placement: emptyPlacement() }, 'array')).toBeNull();
    expect(routeEnds.filter((to) => equipmentRoute(plan, to))).toEqual(['panel', 'array']);
  });
  it('never take less labour than length, nor get shorter the farther a thing is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (leftM, moreM) => {
          const route = routeOf({ ...at, leftM }, wall, 'array')!;
          expect(route.effortM).toBeGreaterThanOrEqual(route.lengthM - 1e-9);
          const away = { ...at, leftM: 3 + moreM };
          const farther = { ...at, leftM: 4 + moreM };
          const leaves = wallRoute(wall, 'array')!;
          expect(alongWallM(farther, leaves)).toBeGreaterThan(alongWallM(away, leaves));
        },
      ),
    );
  });
});
