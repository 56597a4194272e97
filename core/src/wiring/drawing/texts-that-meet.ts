import { type Drawing, type DrawingText, textWidthMm } from './drawing.schema.js';

/** How far letters reach above their line and below it, of their height. */
const above = 0.75;
const below = 0.15;

/**
 * Pairs of texts of a drawing that lie over each other, as far as their boxes tell: what the layout leaves apart, a thing that was moved may cover.
 * Swept from the left, so that a sheet of a thousand texts takes a few milliseconds.
 */
export function textsThatMeet(drawing: Drawing): readonly (readonly [DrawingText, DrawingText])[] {
  const boxes = drawing.items
    .filter((item): item is DrawingText => item.kind === 'text')
    .map((item) => {
      const [x, y] = item.at;
      const width = textWidthMm(item.text, item.heightMm);
      const left = item.anchor === 'middle' ? x - width / 2 : x;
      return {
        item,
        left,
        right: left + width,
        top: y - above * item.heightMm,
        bottom: y + below * item.heightMm,
      };
    })
    .toSorted((a, b) => a.left - b.left);
  const found: (readonly [DrawingText, DrawingText])[] = [];
  for (const [index, box] of boxes.entries())
    for (let next = index + 1; next < boxes.length && boxes[next]!.left < box.right; next += 1) {
      const other = boxes[next]!;
      if (box.top < other.bottom && other.top < box.bottom) found.push([box.item, other.item]);
    }
  return found;
}
