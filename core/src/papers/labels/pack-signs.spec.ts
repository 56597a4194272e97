import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { WiringSign } from '../../wiring/index.js';
import { packSigns } from './pack-signs.js';
import { signLines } from '../../rules/details.js';
import { signShapes } from './sign-svg.js';

const aSign = fc
  .record({
    widthMm: fc.integer({ min: 10, max: 260 }),
    heightMm: fc.integer({ min: 8, max: 300 }),
    id: fc.uuid(),
  })
  .map(({ id, ...size }): WiringSign => ({
    id,
    where: '',
    text: 'Photovoltaic system disconnect',
    letterMm: 5,
    size,
    look: '',
    rule: '',
  }));

describe('signs on sheets', () => {
  it('are all there once, inside the sheet, and none over another', () => {
    fc.assert(
      fc.property(fc.array(aSign, { maxLength: 25 }), (signs) => {
        const [width, height] = [185, 233];
        const { sheets, tooLarge } = packSigns(signs, width, height);
        expect(
          [...sheets.flat().map(({ sign }) => sign.id), ...tooLarge.map(({ id }) => id)].toSorted(),
        ).toEqual(signs.map(({ id }) => id).toSorted());
        for (const sheet of sheets)
          sheet.forEach(({ sign, at: [x, y] }, index) => {
            const { widthMm: w, heightMm: h } = sign.size;
            expect(x + w <= width && y + h <= height).toBe(true);
            for (const other of sheet.slice(index + 1)) {
              const apart =
                x + w <= other.at[0] ||
                other.at[0] + other.sign.size.widthMm <= x ||
                y + h <= other.at[1] ||
                other.at[1] + other.sign.size.heightMm <= y;
              expect(apart).toBe(true);
            }
          });
      }),
    );
  });
  it('keep their words and say them safely', () => {
    const sign: WiringSign = {
      id: 's',
      where: '',
      text: 'Fed by <several> sources & more',
      letterMm: 5,
      size: { widthMm: 90, heightMm: 30 },
      look: 'white on red',
      rule: '',
    };
    expect(signLines(sign.text).join(' ')).toBe(sign.text);
    const svg = signShapes(sign, [0, 0], 'Arial');
    expect(svg).not.toContain('<SEVERAL>');
    expect(svg).toContain('#b3261e');
  });
});
