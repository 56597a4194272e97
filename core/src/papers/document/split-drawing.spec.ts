import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Drawing, DrawingItem } from '../../wiring/index.js';
import { splitDrawing } from './split-drawing.js';

const of = { layer: 'text', about: '', place: '' } as const;
const aText = fc
  .record({ x: fc.integer({ min: 0, max: 150 }), y: fc.integer({ min: 5, max: 895 }), id: fc.uuid() })
  .map(({ x, y, id }): DrawingItem => ({
    kind: 'text',
    ...of,
    at: [x, y],
    text: id,
    heightMm: 2.6,
    anchor: 'start',
  }));
const aLine = fc
  .record({
    x: fc.integer({ min: 0, max: 150 }),
    y1: fc.integer({ min: 0, max: 900 }),
    y2: fc.integer({ min: 0, max: 900 }),
  })
  .map(({ x, y1, y2 }): DrawingItem => ({
    kind: 'line',
    ...of,
    points: [
      [x, y1],
      [x, y2],
    ],
    widthMm: 0.5,
    dashed: false,
    closed: false,
  }));
const lengthOf = ({ items }: Drawing): number =>
  items.reduce(
    (sum, item) => sum + (item.kind === 'line' ? Math.abs(item.points[0]![1] - item.points.at(-1)![1]) : 0),
    0,
  );

describe('a tall drawing', () => {
  it('goes on over several sheets: every word once, no line longer or shorter', () => {
    fc.assert(
      fc.property(fc.array(aText, { maxLength: 12 }), fc.array(aLine, { maxLength: 12 }), (texts, lines) => {
        const drawing: Drawing = { widthMm: 200, heightMm: 900, items: [...texts, ...lines] };
        const pieces = splitDrawing(drawing, 250);
        expect(pieces.length).toBeGreaterThan(1);
        expect(pieces.reduce((sum, { heightMm }) => sum + heightMm, 0)).toBeCloseTo(900, 6);
        const words = pieces.flatMap(({ items }) =>
          items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])),
        );
        expect(new Set(words)).toEqual(new Set(texts.map((item) => (item.kind === 'text' ? item.text : ''))));
        expect(pieces.reduce((sum, piece) => sum + lengthOf(piece), 0)).toBeCloseTo(lengthOf(drawing), 6);
      }),
    );
  });
  it('that fits stays as it is', () => {
    const drawing: Drawing = { widthMm: 200, heightMm: 220, items: [] };
    expect(splitDrawing(drawing, 250)).toEqual([drawing]);
  });
});
