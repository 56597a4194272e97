import type { WiringSign } from '../../wiring/index.js';

/** A sign where it lies on a sheet, from the upper left, mm. */
export interface PlacedSign {
  readonly sign: WiringSign;
  readonly at: readonly [x: number, y: number];
}

/** Room to cut, mm. */
const gapMm = 5;

/**
 * Puts signs on sheets in rows, the highest first, none over another or over the edge.
 *
 * @returns sheets, and the signs that are larger than a sheet
 */
export function packSigns(
  signs: readonly WiringSign[],
  widthMm: number,
  heightMm: number,
): { readonly sheets: readonly (readonly PlacedSign[])[]; readonly tooLarge: readonly WiringSign[] } {
  const fits = ({ size }: WiringSign): boolean => size.widthMm <= widthMm && size.heightMm <= heightMm;
  const sheets: PlacedSign[][] = [];
  let [x, y, rowMm] = [0, 0, 0];
  for (const sign of signs.filter(fits).toSorted((a, b) => b.size.heightMm - a.size.heightMm)) {
    const { widthMm: w, heightMm: h } = sign.size;
    if (x > 0 && x + w > widthMm) {
      [x, y, rowMm] = [0, y + rowMm + gapMm, 0];
    }
    if (sheets.length === 0 || y + h > heightMm) {
      sheets.push([]);
      [x, y, rowMm] = [0, 0, 0];
    }
    sheets.at(-1)!.push({ sign, at: [x, y] });
    x += w + gapMm;
    rowMm = Math.max(rowMm, h);
  }
  return { sheets, tooLarge: signs.filter((sign) => !fits(sign)) };
}
