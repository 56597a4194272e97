import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import { emptyPlan, put } from '../../design/index.js';
import { checkPlacement } from '../check-placement.js';
import { aThing, anOpening, aWall, placedPlan } from '../testing/placed.js';
import { searchWall } from './search-walls.js';

it('whatever the search puts up breaks no rule, and a longer way to the panel never comes cheaper', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 3 }),
      fc.double({ min: 3, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 6, noNaN: true }),
      fc.constantFrom('split-120-240' as const, 'single-230' as const),
      fc.boolean(),
      (quantity, lengthM, doorM, system, withStuds) => {
        const things = Array.from({ length: quantity }, (_, index) =>
          aThing({
            id: `unit:house:box:${index + 1}`,
            name: `Box ${index + 1}`,
            betweenM: 0.2,
            clear: { aboveM: 0.2, belowM: 0.3, besideM: 0.15, frontM: 0.6 },
          }),
        );
        const route = (legM: number) => [
          { to: 'panel' as const, fromM: 0, atM: 1.4, legs: [{ kind: 'surface' as const, lengthM: legM }] },
        ];
        const wall = (legM: number) =>
          aWall({
            lengthM,
            construction: withStuds ? 'wood' : 'masonry',
            firstStudM: 0.2,
            openings: [
              anOpening({ kind: 'window', leftM: Math.min(doorM, lengthM - 0.9), bottomM: 1, heightM: 1 }),
            ],
            routes: route(legM),
          });
        const searched = (legM: number) =>
          searchWall(placedPlan(emptyPlan(system), [wall(legM)], []), things, things, wall(legM), 0.1, null);
        const found = searched(1);
        if (!('places' in found)) return;
        const plan = placedPlan(emptyPlan(system), [wall(1)], found.places);
        const { findings, placed } = checkPlacement(plan, things, []);
        expect(findings.filter(({ severity }) => severity !== 'consider')).toEqual([]);
        expect(placed).toHaveLength(quantity);
        const farther = searched(2);
        expect('places' in farther && farther.effortM! - found.effortM!).toBeCloseTo(quantity, 6);
        // Taken up again where it is, nothing changes: what hangs there is no obstacle to itself.
        const again = searchWall(
          { ...plan, placement: put(plan.placement, found.places) },
          things,
          things,
          wall(1),
          0.1,
          null,
        );
        expect('places' in again && again.effortM).toBeCloseTo(found.effortM!, 9);
      },
    ),
    { numRuns: 25 },
  );
});
