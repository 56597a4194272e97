import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Drawing, type DrawingText, textWidthMm } from './drawing.schema.js';
import { textItem } from './items.js';
import { textsThatMeet } from './texts-that-meet.js';

const sheet = (items: Drawing['items']): Drawing => ({ widthMm: 400, heightMm: 300, items });

describe('texts that lie over each other', () => {
  it('are named in pairs; beside and below each other they do not meet', () => {
    const width = textWidthMm('Main 200 A', 3);
    const texts = [
      textItem('a', [10, 10], 'Main 200 A', 3),
      textItem('b', [10 + width + 0.1, 10], 'Beside', 3),
      textItem('c', [10, 13], 'Below', 3),
      textItem('d', [10 + width / 2, 9], 'Over it', 3),
    ];
    expect(textsThatMeet(sheet(texts)).map((pair) => pair.map(({ about }) => about).join())).toEqual([
      'a,d',
      'd,b',
    ]);
  });

  it('are those that looking at every pair finds', () => {
    const text = fc.record({
      x: fc.double({ min: 0, max: 60, noNaN: true }),
      y: fc.double({ min: 0, max: 30, noNaN: true }),
      text: fc.string({ minLength: 1, maxLength: 12 }),
      heightMm: fc.constantFrom(2.5, 3, 5),
      anchor: fc.constantFrom('start' as const, 'middle' as const),
    });
    fc.assert(
      fc.property(fc.array(text, { maxLength: 25 }), (said) => {
        const items = said.map(({ x, y, anchor, ...one }, index): DrawingText => {
          const item = textItem(`${index}`, [x, y], one.text, one.heightMm) as DrawingText;
          return { ...item, anchor };
        });
        const roomOf = ({ at: [x, y], text: words, heightMm, anchor }: DrawingText) => {
          const width = textWidthMm(words, heightMm);
          const from = anchor === 'middle' ? x - width / 2 : x;
          return [from, from + width, y - 0.75 * heightMm, y + 0.15 * heightMm] as const;
        };
        const pairs = items.flatMap((a, index) =>
          items.slice(index + 1).flatMap((b) => {
            const [l, r, t, u] = roomOf(a);
            const [l2, r2, t2, u2] = roomOf(b);
            return l < r2 && l2 < r && t < u2 && t2 < u ? [[a.about, b.about].toSorted().join()] : [];
          }),
        );
        const found = textsThatMeet(sheet(items)).map(([a, b]) => [a.about, b.about].toSorted().join());
        expect(found.toSorted()).toEqual(pairs.toSorted());
      }),
    );
  });
});
