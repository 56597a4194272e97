import type { Drawing, DrawingItem } from '../../wiring/index.js';

/** Cuts are looked for so far around the middle, as a share of the height of a piece. */
const searchShare = 0.18;
const stepMm = 1;

const spanOf = (item: DrawingItem): readonly [number, number] => {
  switch (item.kind) {
    case 'line': {
      const ys = item.points.map(([, y]) => y);
      return [Math.min(...ys), Math.max(...ys)];
    }
    case 'circle':
      return [item.centre[1] - item.radiusMm, item.centre[1] + item.radiusMm];
    case 'text':
      return [item.at[1] - item.heightMm, item.at[1] + 0.4 * item.heightMm];
  }
};

/** How much a cut at a height goes through: words and symbols are not cut where it can be helped, lines that run down may be. */
function cost(items: readonly DrawingItem[], y: number): number {
  let sum = 0;
  for (const item of items) {
    const [top, bottom] = spanOf(item);
    if (top < y && bottom > y)
      sum +=
        item.kind === 'line' && !item.closed && item.points.length <= 4 ? 1 : item.kind === 'line' ? 4 : 50;
  }
  return sum;
}

/** A line between two points, as far as it is between two heights; null = it is not there. */
function within(
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
  top: number,
  bottom: number,
): readonly [readonly [number, number], readonly [number, number]] | null {
  if ((ay < top && by < top) || (ay > bottom && by > bottom)) return null;
  const at = (y: number): readonly [number, number] => [ax + ((bx - ax) * (y - ay)) / (by - ay), y];
  const clip = (point: readonly [number, number]): readonly [number, number] =>
    point[1] < top ? at(top) : point[1] > bottom ? at(bottom) : point;
  return [clip([ax, ay]), clip([bx, by])];
}

function piece({ widthMm, items }: Drawing, top: number, bottom: number): Drawing {
  const inside = items.flatMap((item): DrawingItem[] => {
    const [from, to] = spanOf(item);
    if (to < top || from > bottom) return [];
    switch (item.kind) {
      case 'text':
        return from >= top - 1 && to <= bottom + 1 ? [{ ...item, at: [item.at[0], item.at[1] - top] }] : [];
      case 'circle':
        return from >= top - 1 && to <= bottom + 1
          ? [{ ...item, centre: [item.centre[0], item.centre[1] - top] }]
          : [];
      case 'line': {
        if (from >= top && to <= bottom)
          return [{ ...item, points: item.points.map(([x, y]) => [x, y - top] as const) }];
        const all = item.closed ? [...item.points, item.points[0]!] : item.points;
        return all.slice(1).flatMap((end, index): DrawingItem[] => {
          const cut = within(all[index]!, end, top, bottom);
          return cut ? [{ ...item, closed: false, points: cut.map(([x, y]) => [x, y - top] as const) }] : [];
        });
      }
    }
  });
  return { widthMm, heightMm: bottom - top, items: inside };
}

/**
 * A tall drawing in pieces, one below the other, each about so high at most. Cuts are made where they go through the least; lines that cross one go
 * on in the next piece.
 *
 * @param mostMm height of a piece
 */
export function splitDrawing(drawing: Drawing, mostMm: number): Drawing[] {
  const { heightMm, items } = drawing;
  const count = Math.ceil(heightMm / mostMm - 0.1);
  if (count <= 1) return [drawing];
  const each = heightMm / count;
  const cuts = Array.from({ length: count - 1 }, (_, index) => {
    const middle = (index + 1) * each;
    let best = middle;
    let least = Infinity;
    for (let off = 0; off <= searchShare * each; off += stepMm)
      for (const y of [middle + off, middle - off]) {
        const here = cost(items, y) + off / each;
        if (here < least) [least, best] = [here, y];
      }
    return best;
  });
  return [0, ...cuts].map((top, index) => piece(drawing, top, cuts[index] ?? heightMm));
}
