import { type Drawing, type DrawingItem, type DrawingLine, textWidthMm } from './drawing.schema.js';
import {
  bondMm,
  busFootMm,
  leavesAtMm,
  lineMm,
  type OneLineBox,
  type OneLinePlan,
  symbolMm,
  textGapMm,
  textMm,
} from './one-line-plan.js';
import { cornersOf, lineItem, textItem } from './items.js';

interface Placed {
  readonly x: number;
  readonly y: number;
}

/** Where a layout put everything, mm from the upper left. */
export interface OneLineLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly boxes: ReadonlyMap<string, Placed>;
  readonly enclosures: ReadonlyMap<string, Placed & { readonly widthMm: number; readonly heightMm: number }>;
  readonly wires: ReadonlyMap<
    string,
    { readonly points: readonly (readonly [number, number])[]; readonly label: Placed | null }
  >;
}

const half = symbolMm / 2;

/** Where a name stands in a frame so that no line runs through it: the corners, and along top and bottom. */
function freeCorner(
  name: string,
  [left, top, right, bottom]: readonly [number, number, number, number],
  wires: readonly { readonly points: readonly (readonly [number, number])[] }[],
): readonly [number, number] {
  const width = textWidthMm(name, textMm);
  const lefts = Array.from(
    { length: Math.max(1, Math.floor((right - left - width - 3) / 4) + 1) },
    (_, step) => left + 1.5 + 4 * step,
  );
  const places = [top + textMm + 0.8, bottom - 1.2].flatMap((y) => lefts.map((x) => [x, y] as const));
  const isFree = ([x, y]: readonly [number, number]): boolean =>
    !wires.some(({ points }) =>
      points.slice(1).some(([toX, toY], index) => {
        const [fromX, fromY] = points[index]!;
        return (
          Math.max(fromX, toX) > x - 0.5 &&
          Math.min(fromX, toX) < x + width + 0.5 &&
          Math.max(fromY, toY) > y - textMm &&
          Math.min(fromY, toY) < y + 0.6
        );
      }),
    );
  return places.find(isFree) ?? places[0]!;
}

/** The drawing of a plan as it was laid out. */
export function oneLineDrawing(plan: OneLinePlan, layout: OneLineLayout): Drawing {
  const items: DrawingItem[] = [];
  for (const { id, name } of plan.enclosures) {
    const at = layout.enclosures.get(id);
    if (!at) continue;
    const [right, bottom] = [at.x + at.widthMm, at.y + at.heightMm];
    items.push(
      lineItem('', cornersOf(at.x, at.y, right, bottom), {
        layer: 'enclosures',
        widthMm: 0.25,
        dashed: true,
        closed: true,
      }),
      textItem(
        '',
        freeCorner(name, [at.x, at.y, right, bottom], [...layout.wires.values()]),
        name,
        textMm,
        'enclosures',
      ),
    );
  }
  for (const { id, about, place, layer, lines } of plan.wires) {
    const wire = layout.wires.get(id);
    if (!wire) continue;
    items.push(
      lineItem(about, wire.points, {
        layer,
        place,
        ...(layer === 'communication' ? { dashed: true, widthMm: 0.25 } : {}),
      }),
    );
    const { label } = wire;
    if (label)
      items.push(
        ...lines.map((text, index) =>
          textItem(about, [label.x, label.y + (index + 1) * lineMm - 0.8], text, textMm),
        ),
      );
  }
  for (const box of plan.boxes) {
    const at = layout.boxes.get(box.id);
    if (at) items.push(...boxItems(box, at));
  }
  return { widthMm: layout.widthMm, heightMm: layout.heightMm, items };
}

/** Where lines meet a box: x of what comes in from above, mm from its left side. */
export const entryMm = half + 0.5;
/** Height of a busbar in its box. */
export const barMm = (box: OneLineBox): number => box.heightMm - busFootMm;

function boxItems(box: OneLineBox, { x, y }: Placed): DrawingItem[] {
  const { about, tag, lines, bond, symbol } = box;
  const bar = symbol === 'bus' ? barMm(box) : null;
  const centre = [x + entryMm, y + box.heightMm / 2] as const;
  const all = [tag, ...lines];
  const top = bar === null ? y + (box.heightMm - all.length * lineMm) / 2 : y;
  const text = all.map((line, index) =>
    textItem(about, [x + symbolMm + textGapMm + 0.5, top + (index + 1) * lineMm - 1], line, textMm),
  );
  const drawn = bar === null ? symbolItems(box, centre, y) : busItems(box, x, y, bar);
  return [
    ...drawn,
    ...(bond
      ? bondItems(about, bond, x + box.widthMm - bondMm / 2 - 0.5, bar === null ? centre[1] - 2 : y + bar)
      : []),
    ...text,
  ];
}

function busItems(box: OneLineBox, x: number, y: number, bar: number): DrawingItem[] {
  const { about, widthMm, heightMm, bond } = box;
  const end = x + widthMm - (bond === null ? 0 : bondMm / 2);
  return [
    lineItem(about, [
      [x + entryMm, y],
      [x + entryMm, y + bar],
    ]),
    lineItem(
      about,
      [
        [x, y + bar],
        [end, y + bar],
      ],
      { layer: 'busbars', widthMm: 1.4 },
    ),
    ...Array.from({ length: box.leaving }, (_, index) => {
      const at = x + leavesAtMm(box, index);
      return lineItem(about, [
        [at, y + bar],
        [at, y + heightMm],
      ]);
    }),
  ];
}

/** Symbols after IEC 60617 (recalled), each within a square of {@link symbolMm}, lines coming in from above and leaving below. */
function symbolItems(
  { symbol, about, heightMm }: OneLineBox,
  [cx, cy]: readonly [number, number],
  y: number,
): DrawingItem[] {
  const line = (points: DrawingLine['points'], more: Partial<DrawingLine> = {}): DrawingLine =>
    lineItem(about, points, more);
  const letter = (text: string, dx = 0, dy = 0): DrawingItem => ({
    kind: 'text',
    layer: 'symbols',
    about,
    place: about,
    at: [cx + dx, cy + dy + textMm * 0.4],
    text,
    heightMm: textMm,
    anchor: 'middle',
  });
  const circle: DrawingItem = {
    kind: 'circle',
    layer: 'symbols',
    about,
    place: about,
    centre: [cx, cy],
    radiusMm: half,
    filled: false,
  };
  const square = line(cornersOf(cx - half, cy - half, cx + half, cy + half), { closed: true });
  const above = line([
    [cx, y],
    [cx, cy - half],
  ]);
  const below = line([
    [cx, cy + half],
    [cx, y + heightMm],
  ]);
  // A contact that opens to the left, hinged below.
  const contact = line([
    [cx, cy + half],
    [cx - half * 0.7, cy - half * 0.6],
  ]);
  const fixed = line([
    [cx, cy - half],
    [cx, cy - half * 0.6],
  ]);
  const cross = [
    line([
      [cx - 0.9, cy - half * 0.6 - 0.9],
      [cx + 0.9, cy - half * 0.6 + 0.9],
    ]),
    line([
      [cx + 0.9, cy - half * 0.6 - 0.9],
      [cx - 0.9, cy - half * 0.6 + 0.9],
    ]),
  ];
  const bar = line([
    [cx - 1.1, cy - half * 0.6],
    [cx + 1.1, cy - half * 0.6],
  ]);
  switch (symbol) {
    case 'grid':
      return [circle, letter('~'), below];
    case 'meter':
      return [square, letter('kWh'), above, below];
    case 'generator':
      return [circle, letter('G'), above, below];
    case 'array':
      return [
        square,
        line([
          [cx - half, cy - half],
          [cx, cy],
          [cx + half, cy - half],
        ]),
        above,
      ];
    case 'inverter':
      return [
        square,
        line([
          [cx - half, cy + half],
          [cx + half, cy - half],
        ]),
        letter('=', -half / 2, -half / 2),
        letter('~', half / 2, half / 2),
        above,
      ];
    case 'terminals':
      return [
        line([
          [cx, y],
          [cx, y + heightMm],
        ]),
        {
          kind: 'circle',
          layer: 'symbols',
          about,
          place: about,
          centre: [cx, cy],
          radiusMm: 0.9,
          filled: true,
        },
      ];
    case 'breaker':
      return [above, below, fixed, contact, ...cross];
    case 'disconnect':
      return [above, below, fixed, contact, bar];
    case 'isolating':
      return [above, below, fixed, contact, bar, square];
    case 'transfer':
      return [above, below, fixed, contact, bar, circle];
    case 'battery':
      return [
        above,
        ...[-1, 1].flatMap((row) => [
          line([
            [cx - half * 0.8, cy + row * 1.8 - 0.7],
            [cx + half * 0.8, cy + row * 1.8 - 0.7],
          ]),
          line(
            [
              [cx - half * 0.4, cy + row * 1.8 + 0.7],
              [cx + half * 0.4, cy + row * 1.8 + 0.7],
            ],
            { widthMm: 1 },
          ),
        ]),
        line([
          [cx, cy - half],
          [cx, cy - 2.5],
        ]),
      ];
    case 'fuse':
      return [
        line(cornersOf(cx - half * 0.4, cy - half * 0.8, cx + half * 0.4, cy + half * 0.8), { closed: true }),
        line([
          [cx, y],
          [cx, y + heightMm],
        ]),
      ];
    case 'surge':
      // A varistor: a box with a bent line through it, and the sign of earth below.
      return [
        line(cornersOf(cx - half * 0.4, cy - half * 0.8, cx + half * 0.4, cy + half * 0.5), { closed: true }),
        line([
          [cx - half * 0.8, cy + half * 0.5],
          [cx - half * 0.5, cy + half * 0.2],
          [cx + half * 0.7, cy - half * 0.7],
        ]),
        line([
          [cx, y],
          [cx, cy - half * 0.8],
        ]),
        line([
          [cx, cy + half * 0.5],
          [cx, cy + half * 0.8],
        ]),
        line([
          [cx - 1.4, cy + half * 0.8],
          [cx + 1.4, cy + half * 0.8],
        ]),
      ];
    case 'sensors':
      return [circle, letter('A')];
    case 'bus':
      return [];
  }
}

/** Neutral and earth joined: the sign of earth; a relay has a contact in its line. */
function bondItems(about: string, bond: 'always' | 'relay', x: number, y: number): DrawingItem[] {
  const line = (x1: number, y1: number, x2: number, y2: number): DrawingItem =>
    lineItem(
      about,
      [
        [x1, y1],
        [x2, y2],
      ],
      { layer: 'earthing', widthMm: 0.4 },
    );
  return [
    ...(bond === 'relay'
      ? [line(x, y, x, y + 0.6), line(x - 0.9, y + 0.7, x, y + 2.2), line(x, y + 2.2, x, y + 3)]
      : [line(x, y, x, y + 3)]),
    line(x - 1.8, y + 3, x + 1.8, y + 3),
    line(x - 1.1, y + 3.8, x + 1.1, y + 3.8),
    line(x - 0.4, y + 4.6, x + 0.4, y + 4.6),
  ];
}
