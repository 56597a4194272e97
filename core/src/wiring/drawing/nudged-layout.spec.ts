import elk from 'elkjs/lib/elk.bundled.js';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans, emptyPlan, nudge } from '../../design/index.js';
import { wired } from '../testing/wired.js';
import { nudgedLayout, stretched } from './nudged-layout.js';
import { oneLinePlan } from './one-line-plan.js';
import { fromElk, toElk } from './to-elk.js';

// Its types speak of a module, what is imported is the class itself.
const Elk = elk as unknown as typeof elk.default;
const plan = oneLinePlan(wired(demoPlans[0]!.plan));
const layout = fromElk(plan, await new Elk().layout(toElk(plan)));
const shift = fc.integer({ min: -80, max: 80 });

describe('a drawing on which things were moved', () => {
  it('keeps every line level or upright, and at the things it joins', () => {
    const moves = fc.array(fc.record({ of: fc.constantFrom(...plan.boxes), rightMm: shift, downMm: shift }), {
      minLength: 1,
      maxLength: 5,
    });
    fc.assert(
      fc.property(moves, (list) => {
        const nudges = list.map(({ of, ...by }) => ({ id: of.about, ...by }));
        const moved = nudgedLayout(plan, layout, nudges);
        for (const { id, from, to } of plan.wires) {
          const [before, after] = [layout.wires.get(id)!, moved.wires.get(id)!];
          for (const [index, [x, y]] of after.points.slice(1).entries()) {
            const [px, py] = after.points[index]!;
            expect(Math.abs(x - px) < 1e-6 || Math.abs(y - py) < 1e-6).toBe(true);
          }
          for (const [box, end] of [
            [from, 0],
            [to, -1],
          ] as const) {
            const [was, is] = [layout.boxes.get(box)!, moved.boxes.get(box)!];
            const [a, b] = [before.points.at(end)!, after.points.at(end)!];
            expect(b[0] - is.x).toBeCloseTo(a[0] - was.x);
            expect(b[1] - is.y).toBeCloseTo(a[1] - was.y);
          }
        }
        // Nothing leaves the sheet.
        for (const { id, widthMm, heightMm } of plan.boxes) {
          const at = moved.boxes.get(id)!;
          expect(at.x >= 0 && at.y >= 0).toBe(true);
          expect(at.x + widthMm <= moved.widthMm && at.y + heightMm <= moved.heightMm).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is as laid out where nothing was moved, or what was moved is gone', () => {
    expect(nudgedLayout(plan, layout, [])).toBe(layout);
    expect(nudgedLayout(plan, layout, [{ id: 'gone', rightMm: 5, downMm: 5 }])).toBe(layout);
  });

  it('gives a straight line a step', () => {
    expect(
      stretched(
        [
          [0, 0],
          [0, 10],
        ],
        { right: 0, down: 0 },
        { right: 4, down: 2 },
      ),
    ).toEqual([
      [0, 0],
      [0, 6],
      [4, 6],
      [4, 12],
    ]);
  });

  it('forgets a thing that is back where it was', () => {
    const { wiring } = emptyPlan();
    const once = nudge(wiring, 'bus:x', 4, -4);
    expect(nudge(once, 'bus:x', 4, 0).nudges).toEqual([{ id: 'bus:x', rightMm: 8, downMm: -4 }]);
    expect(nudge(once, 'bus:x', -4, 4).nudges).toEqual([]);
    expect(nudge(wiring, 'bus:x', 9000, 0).nudges[0]!.rightMm).toBe(2000);
  });
});
