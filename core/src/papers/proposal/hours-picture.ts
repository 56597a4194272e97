import { cornersOf, type Drawing, type DrawingItem, lineItem, textItem } from '../../wiring/index.js';

/** A bar of a picture of hours. */
export interface HourBar {
  readonly label: string;
  /** Hours that 19 of 20 outages reach, and half of them. */
  readonly surelyH: number;
  readonly halfH: number;
  readonly surely: string;
  readonly half: string;
}

const widthMm = 170;
const labelMm = 46;
const valueMm = 44;
const rowMm = 10;
const topMm = 3;
const textMm = 3;
const axisMm = 9;

const text = (
  at: readonly [number, number],
  words: string,
  heightMm = textMm,
  anchor: 'start' | 'middle' = 'start',
): DrawingItem => textItem('', at, words, heightMm, 'text', anchor);

/**
 * Hours as bars: solid for what is sure, outlined for the half of the outages.
 *
 * @param scaleH what the full width stands for; all pictures of a paper share it
 * @param mark a length that is asked for; null = none
 */
export function hoursPicture(
  bars: readonly HourBar[],
  scaleH: number,
  mark: { readonly hours: number; readonly text: string } | null,
): Drawing {
  const roomMm = widthMm - labelMm - valueMm;
  const x = (hours: number): number => labelMm + (Math.min(hours, scaleH) / scaleH) * roomMm;
  const bottom = topMm + bars.length * rowMm;
  const items: DrawingItem[] = [];
  bars.forEach(({ label, surelyH, halfH, surely, half }, row) => {
    const y = topMm + row * rowMm;
    items.push(text([0, y + rowMm / 2 + textMm / 3], label));
    if (halfH > 0)
      items.push(
        lineItem('', cornersOf(labelMm, y + 2.6, x(halfH), y + rowMm - 2.6), {
          layer: 'clearances',
          widthMm: 0.3,
          closed: true,
        }),
      );
    if (surelyH > 0)
      items.push(
        lineItem(
          '',
          [
            [labelMm, y + rowMm / 2],
            [x(surelyH), y + rowMm / 2],
          ],
          { widthMm: rowMm - 6.4 },
        ),
      );
    items.push(text([widthMm - valueMm + 3, y + rowMm / 2 - 0.4], surely, 3.2));
    items.push(text([widthMm - valueMm + 3, y + rowMm / 2 + 3], half, 2.4));
  });
  items.push(
    lineItem(
      '',
      [
        [labelMm, topMm],
        [labelMm, bottom],
      ],
      { widthMm: 0.35 },
    ),
  );
  const step = scaleH <= 12 ? 2 : scaleH <= 36 ? 6 : 12;
  for (let hours = 0; hours <= scaleH; hours += step) {
    items.push(
      lineItem(
        '',
        [
          [x(hours), bottom],
          [x(hours), bottom + 1.2],
        ],
        { widthMm: 0.25 },
      ),
    );
    items.push(text([x(hours), bottom + 4.4], `${hours} h`, 2.4, 'middle'));
  }
  if (mark && mark.hours <= scaleH) {
    items.push(
      lineItem(
        '',
        [
          [x(mark.hours), topMm - 2],
          [x(mark.hours), bottom],
        ],
        { widthMm: 0.4, dashed: true },
      ),
    );
    items.push(text([x(mark.hours), bottom + 8], mark.text, 2.4, 'middle'));
  }
  return { widthMm, heightMm: bottom + axisMm + 1, items };
}
