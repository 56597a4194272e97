import { type Drawing, type DrawingItem, textWidthMm } from './drawing.schema.js';
import { cornersOf, lineItem, textItem } from './items.js';

const rowMm = 5.5;
const textMm = 2.8;
const marginMm = 5;
const labelMm = 24;

/** The drawing in a frame, with a title block below it: a label and a value a row; rows without a value are left out. */
export function withTitleBlock(
  { widthMm, heightMm, items }: Drawing,
  rows: readonly (readonly [label: string, value: string])[],
): Drawing {
  const said = rows.filter(([, value]) => value !== '');
  const widest = Math.max(0, ...said.map(([, value]) => textWidthMm(value, textMm)));
  const blockW = labelMm + widest + 6;
  const width = Math.max(widthMm, blockW) + 2 * marginMm;
  const blockH = said.length * rowMm + 2;
  const height = heightMm + blockH + 3 * marginMm;
  const [right, bottom] = [width - marginMm, height - marginMm];
  const [left, top] = [right - blockW, bottom - blockH];
  const frame = (x1: number, y1: number, x2: number, y2: number, widthOfLine: number): DrawingItem =>
    lineItem('', cornersOf(x1, y1, x2, y2), { layer: 'text', widthMm: widthOfLine, closed: true });
  const text = (at: readonly [number, number], value: string): DrawingItem => textItem('', at, value, textMm);
  return {
    widthMm: width,
    heightMm: height,
    items: [
      frame(marginMm / 2, marginMm / 2, width - marginMm / 2, height - marginMm / 2, 0.5),
      ...items.map((item) => moved(item, marginMm, marginMm)),
      frame(left, top, right, bottom, 0.35),
      ...said.flatMap(([label, value], index) => {
        const y = top + (index + 1) * rowMm - 1.2;
        return [text([left + 2, y], label), text([left + labelMm, y], value)];
      }),
    ],
  };
}

function moved(item: DrawingItem, dx: number, dy: number): DrawingItem {
  switch (item.kind) {
    case 'line':
      return { ...item, points: item.points.map(([x, y]) => [x + dx, y + dy] as const) };
    case 'circle':
      return { ...item, centre: [item.centre[0] + dx, item.centre[1] + dy] };
    case 'text':
      return { ...item, at: [item.at[0] + dx, item.at[1] + dy] };
  }
}
