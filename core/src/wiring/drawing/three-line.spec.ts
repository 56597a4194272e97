import { describe, expect, it } from 'vitest';
import { systemFacts } from '../../electric/index.js';
import { demoPlans, type Plan } from '../../design/index.js';
import { aWiredHouse, wired } from '../testing/wired.js';
import { type DrawingText, textWidthMm } from './drawing.schema.js';
import { oneLinePlan, oneLineTags } from './one-line-plan.js';
import { threeLineDrawing, threeLineWays } from './three-line-drawing.js';

const drawn = (plan: Plan) => {
  const design = wired(plan);
  const { legs } = systemFacts[plan.supply.system];
  const tags = oneLineTags(oneLinePlan(design));
  return threeLineWays(design.graph).map((way) => ({
    way,
    design,
    legs,
    drawing: threeLineDrawing(design, way, legs, tags, 'PE', 'metric'),
  }));
};
const houses: readonly (readonly [string, Plan])[] = [
  ...demoPlans.map(({ name, plan }) => [name, plan] as const),
  ['a whole house', aWiredHouse()],
  ['a whole house with a relay', aWiredHouse({ bonded: false }, { bondWhileIslanded: 'isolating-device' })],
];

describe.each(houses)('the three-line drawing of %s', (_, plan) => {
  const sheets = drawn(plan);

  it('goes from the grid through the isolating device to a source', () => {
    expect(sheets.length).toBeGreaterThan(0);
    for (const { way, design } of sheets) {
      expect(way.parts.some(({ id }) => id === way.deviceId)).toBe(true);
      expect(design.graph.places.find(({ id }) => id === way.parts[0]!.from)!.kind).toBe('grid');
    }
  });

  it('opens every line where a device is, and the neutral where it is switched', () => {
    for (const { way, drawing, legs } of sheets)
      for (const { id, device, cable } of way.parts) {
        if (!device) continue;
        // The short level line of a fixed contact: one for each pole.
        const poles = drawing.items.filter(
          (item) =>
            item.about === id &&
            item.kind === 'line' &&
            item.points.length === 2 &&
            item.points[0]![1] === item.points[1]![1] &&
            Math.abs(item.points[1]![0] - item.points[0]![0] - 2.2) < 1e-6,
        ).length;
        const lines = cable?.legs ? cable.legs.split('-').length : legs.length;
        expect(poles).toBe(lines + (device.switchesNeutral ? 1 : 0));
      }
  });

  it('lets no text meet another, or a conductor', () => {
    for (const { drawing } of sheets) {
      const rooms = drawing.items
        .filter((item): item is DrawingText => item.kind === 'text')
        .map(({ text, at: [x, y], heightMm, anchor }) => {
          const width = textWidthMm(text, heightMm);
          const x1 = anchor === 'middle' ? x - width / 2 : x;
          return { text, x1, x2: x1 + width, y1: y - 0.75 * heightMm, y2: y + 0.15 * heightMm };
        });
      for (const [index, room] of rooms.entries()) {
        expect(room.x1 >= 0 && room.x2 <= drawing.widthMm, room.text).toBe(true);
        for (const other of rooms.slice(index + 1))
          expect(
            room.x1 < other.x2 && other.x1 < room.x2 && room.y1 < other.y2 && other.y1 < room.y2,
            `${room.text} / ${other.text}`,
          ).toBe(false);
        for (const item of drawing.items) {
          if (item.kind !== 'line') continue;
          for (const [step, [toX, toY]] of item.points.slice(1).entries()) {
            const [fromX, fromY] = item.points[step]!;
            const meets =
              Math.min(fromX, toX) < room.x2 &&
              Math.max(fromX, toX) > room.x1 &&
              Math.min(fromY, toY) < room.y2 &&
              Math.max(fromY, toY) > room.y1;
            expect(meets, `${room.text} / ${item.about}`).toBe(false);
          }
        }
      }
    }
  });
});

describe('bonds on the three-line drawing', () => {
  const levels = (plan: Plan): number =>
    drawn(plan)[0]!.drawing.items.filter(
      (item) => item.kind === 'line' && item.layer === 'earthing' && item.widthMm === 0.9,
    ).length;
  it('join neutral and earth where they are: always, or through a relay', () => {
    // One line for a fixed bond; two and a contact for a relay.
    expect(levels(aWiredHouse())).toBe(1);
    expect(
      levels(aWiredHouse({ bonded: false }, { bondWhileIslanded: 'isolating-device' })),
    ).toBeGreaterThanOrEqual(3);
  });
});
