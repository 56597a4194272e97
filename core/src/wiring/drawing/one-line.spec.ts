import elk from 'elkjs/lib/elk.bundled.js';
import { describe, expect, it } from 'vitest';
import { demoPlans, type Plan } from '../../design/index.js';
import { aWiredHouse, device, wired, withGenerator, withSubPanel } from '../testing/wired.js';
import { type Drawing, type DrawingText, textWidthMm } from './drawing.schema.js';
import { oneLineDrawing } from './one-line-drawing.js';
import { oneLinePlan } from './one-line-plan.js';
import { fromElk, toElk } from './to-elk.js';

// Its types speak of a module, what is imported is the class itself.
const Elk = elk as unknown as typeof elk.default;

const houses: readonly (readonly [string, Plan])[] = [
  ...demoPlans.map(({ name, plan }) => [name, plan] as const),
  ['a whole house', aWiredHouse()],
  ['a sub-panel behind a transfer switch', withGenerator(withSubPanel(aWiredHouse()))],
  ['an inlet', withGenerator(aWiredHouse({ between: [device('generator-inlet', 30)] }))],
  ['a generator beside the inverter', withGenerator(aWiredHouse(), { start: 'auto' })],
];

async function drawn(plan: Plan): Promise<{ readonly drawing: Drawing; readonly about: readonly string[] }> {
  const design = wired(plan);
  const sheet = oneLinePlan(design);
  const drawing = oneLineDrawing(sheet, fromElk(sheet, await new Elk().layout(toElk(sheet))));
  return {
    drawing,
    about: [
      ...design.graph.places.map(({ id }) => id),
      ...design.graph.parts.flatMap((part) => (part.device ? [part.id] : [])),
      ...design.graph.accessories.flatMap(({ id, kind }) => (kind === 'electrode' ? [] : [id])),
    ],
  };
}

interface Room {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}
const roomOf = ({ at: [x, y], text, heightMm, anchor }: DrawingText): Room => {
  const width = textWidthMm(text, heightMm);
  const x1 = anchor === 'middle' ? x - width / 2 : x;
  return { x1, y1: y - 0.75 * heightMm, x2: x1 + width, y2: y + 0.15 * heightMm };
};
const meets = (a: Room, b: Room): boolean => a.x1 < b.x2 && b.x1 < a.x2 && a.y1 < b.y2 && b.y1 < a.y2;

describe.each(houses)('the one-line drawing of %s', (_, plan) => {
  it('shows every device and place once, with a tag of its own', async () => {
    const { drawing, about } = await drawn(plan);
    const tags = drawing.items.filter(
      (item): item is DrawingText => item.kind === 'text' && /^[GPWXTQFB]\d+$/.test(item.text),
    );
    expect(tags.map((tag) => tag.about).toSorted()).toEqual(about.toSorted());
    expect(new Set(tags.map(({ text }) => text)).size).toBe(tags.length);
  });

  it('lets no text overlap another, nor leave the sheet', async () => {
    const { drawing } = await drawn(plan);
    const rooms = drawing.items
      .filter((item): item is DrawingText => item.kind === 'text')
      .map((item) => ({ item, room: roomOf(item) }));
    for (const [index, { item, room }] of rooms.entries()) {
      expect(room.x1 >= 0 && room.x2 <= drawing.widthMm, item.text).toBe(true);
      for (const other of rooms.slice(index + 1))
        expect(meets(room, other.room), `${item.text} / ${other.item.text}`).toBe(false);
    }
  });

  it('runs no conductor through a symbol of something else, or through text', async () => {
    const { drawing } = await drawn(plan);
    const symbols = new Map<string, Room>();
    for (const item of drawing.items) {
      if (item.layer !== 'symbols' || item.kind !== 'circle') continue;
      const [x, y] = item.centre;
      symbols.set(item.about, {
        x1: x - item.radiusMm,
        y1: y - item.radiusMm,
        x2: x + item.radiusMm,
        y2: y + item.radiusMm,
      });
    }
    const texts = drawing.items.filter((item): item is DrawingText => item.kind === 'text');
    for (const item of drawing.items) {
      if ((item.layer !== 'conductors' && item.layer !== 'communication') || item.kind !== 'line') continue;
      for (const [index, [toX, toY]] of item.points.slice(1).entries()) {
        const [fromX, fromY] = item.points[index]!;
        // Only level and upright.
        expect(Math.abs(toX - fromX) < 1e-6 || Math.abs(toY - fromY) < 1e-6).toBe(true);
        const line: Room = {
          x1: Math.min(fromX, toX) - 0.1,
          y1: Math.min(fromY, toY) + 0.05,
          x2: Math.max(fromX, toX) + 0.1,
          y2: Math.max(fromY, toY) - 0.05,
        };
        for (const text of texts)
          expect(meets(line, roomOf(text)), `${item.about} / ${text.text}`).toBe(false);
        for (const [about, room] of symbols) {
          if (about === item.place || item.about === about) continue;
          const isEnd = drawing.items.some(
            (other) => other.about === about && other.layer === 'symbols' && other.kind === 'line',
          );
          if (!isEnd) expect(meets(line, room), `${item.about} / ${about}`).toBe(false);
        }
      }
    }
  });
});
