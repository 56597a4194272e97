import type { UnitSystem } from '../../base/index.js';
import type { Opening, Wall } from '../../house/index.js';
import {
  cornersOf,
  type Drawing,
  type DrawingItem,
  lineItem,
  textItem,
  textWidthMm,
} from '../../wiring/index.js';
import type { PlacementFinding } from '../check-placement.js';
import type { Rect } from '../geometry/rect.js';
import { studsOf } from '../holding/hold-of.js';
import { roomOf } from '../subjects/room-of.js';
import { workingSpace } from '../subjects/working-space.js';
import { openingName, type PlacedThing } from '../things/placed-things.js';
import { drawnLength } from './length-text.js';

/** Scales a drawing may have; the largest that fits a sheet is taken. */
const scales = [10, 20, 25, 50, 100] as const;
const sheetMm = 200;
/** Around the wall: dimensions to the left and below (at least), the name above, mm. */
const margin = { left: 16, right: 8, top: 10, bottom: 22 };
/** From the ground to the first row of dimensions, and from row to row, mm. */
const rows = { first: 5, each: 4 };
const smallMm = 2.2;
const textMm = 2.6;

/** Where on its drawing a wall lies. */
export interface ElevationFrame {
  /** So many times smaller than the wall. */
  readonly scale: number;
  /** Millimetres on the drawing for a metre. */
  readonly perM: number;
  readonly originX: number;
  readonly originY: number;
}

export interface ElevationDrawing {
  readonly drawing: Drawing;
  readonly frame: ElevationFrame;
}

export interface ElevationOf {
  readonly wall: Wall;
  /** What hangs on this wall. */
  readonly placed: readonly PlacedThing[];
  readonly findings: readonly PlacementFinding[];
  readonly units: UnitSystem;
  /** Thing whose distances are drawn; '' = none. */
  readonly chosen: string;
}

/** A wall seen from in front, to scale: what is let into it, its studs, what hangs on it with the room it needs, and what breaks a rule, marked and numbered as the findings are. */
export function elevationDrawing({ wall, placed, findings, units, chosen }: ElevationOf): ElevationDrawing {
  const scale =
    scales.find((one) => (wall.lengthM * 1000) / one <= sheetMm && (wall.heightM * 1000) / one <= sheetMm) ??
    scales.at(-1)!;
  const perM = 1000 / scale;
  const originX = margin.left;
  const originY = margin.top + wall.heightM * perM;
  const frame: ElevationFrame = { scale, perM, originX, originY };
  const x = (m: number): number => originX + m * perM;
  const y = (m: number): number => originY - m * perM;
  const box = (about: string, at: Rect, more: Parameters<typeof lineItem>[2]): DrawingItem =>
    lineItem(
      about,
      cornersOf(x(at.leftM), y(at.bottomM + at.heightM), x(at.leftM + at.widthM), y(at.bottomM)),
      {
        closed: true,
        place: '',
        ...more,
      },
    );
  const items: DrawingItem[] = [];
  // The wall and the ground before it.
  items.push(
    box(
      '',
      { leftM: 0, bottomM: 0, widthM: wall.lengthM, heightM: wall.heightM },
      { layer: 'structure', widthMm: 0.5 },
    ),
  );
  items.push(
    lineItem(
      '',
      [
        [x(0) - 8, y(0)],
        [x(wall.lengthM) + 6, y(0)],
      ],
      { layer: 'structure', place: '', widthMm: 0.9 },
    ),
  );
  items.push(textItem('', [x(0), margin.top - 4], `Wall ${wall.name}, 1:${scale}`, 3.2));
  for (const at of studsOf({ wall }) ?? [])
    items.push(
      lineItem(
        '',
        [
          [x(at), y(0)],
          [x(at), y(wall.heightM)],
        ],
        { layer: 'structure', place: '', widthMm: 0.15, dashed: true },
      ),
    );
  for (const opening of wall.openings) items.push(...openingItems(opening));
  const numbers = new Map<string, number[]>();
  findings.forEach(({ about, severity }, index) => {
    if (severity === 'stops' || severity === 'must-fix')
      numbers.set(about, [...(numbers.get(about) ?? []), index + 1]);
  });
  for (const one of placed) {
    const { thing } = one;
    const wrong = numbers.get(thing.id) ?? [];
    items.push(box(thing.id, roomOf(one), { layer: 'clearances', widthMm: 0.2, dashed: true }));
    items.push(
      box(thing.id, one, {
        layer: wrong.length > 0 ? 'findings' : 'enclosures',
        widthMm: wrong.length > 0 ? 1 : 0.6,
      }),
    );
    const roomMm = one.widthM * perM - 1.5;
    const longest = Math.max(...thing.name.split(' ').map((word) => word.length));
    const heightMm = Math.max(1.6, Math.min(textMm, roomMm / (0.6 * longest)));
    const lines = wrapped(thing.name, roomMm, heightMm).slice(0, 4);
    lines.forEach((line, row) => {
      items.push(
        centred(
          thing.id,
          x(one.leftM + one.widthM / 2),
          y(one.bottomM + one.heightM / 2) + (row - (lines.length - 1) / 2) * (heightMm + 0.6) + heightMm / 3,
          line,
          heightMm,
        ),
      );
    });
    if (wrong.length > 0)
      items.push(
        textItem(
          thing.id,
          [x(one.leftM) + 0.8, y(one.bottomM + one.heightM) - 0.8],
          `! ${wrong.join(', ')}`,
          textMm,
          'findings',
        ),
      );
  }
  const shown = placed.find(({ thing }) => thing.id === chosen);
  if (shown) items.push(...distancesOf(shown));
  else
    for (const [index, one] of placed.entries())
      items.push(...dimension(one.leftM, y(0) + rows.first + index * rows.each, one));
  return {
    drawing: {
      widthMm: margin.left + wall.lengthM * perM + margin.right,
      heightMm: originY + Math.max(margin.bottom, rows.first + placed.length * rows.each + 2),
      items,
    },
    frame,
  };

  function centred(about: string, atX: number, atY: number, text: string, heightMm: number): DrawingItem {
    const item = textItem(about, [atX, atY], text, heightMm);
    return item.kind === 'text' ? { ...item, anchor: 'middle' } : item;
  }

  function openingItems(opening: Opening): DrawingItem[] {
    const of = { layer: 'openings', widthMm: 0.35 } as const;
    const { leftM, bottomM, widthM, heightM, kind } = opening;
    const [left, right] = [x(leftM), x(leftM + widthM)];
    const [top, bottom] = [y(bottomM + heightM), y(bottomM)];
    const cross =
      kind === 'window' || kind === 'fixed-window'
        ? [
            lineItem(
              '',
              [
                [(left + right) / 2, top],
                [(left + right) / 2, bottom],
              ],
              { ...of, place: '' },
            ),
            lineItem(
              '',
              [
                [left, (top + bottom) / 2],
                [right, (top + bottom) / 2],
              ],
              { ...of, place: '' },
            ),
          ]
        : kind === 'door'
          ? [
              lineItem(
                '',
                [
                  [left, top],
                  [right, (top + bottom) / 2],
                  [left, bottom],
                ],
                { ...of, place: '', dashed: true },
              ),
            ]
          : [];
    const name = wrapped(openingName(opening), Math.max(14, right - left), smallMm).slice(0, 2);
    return [
      box('', opening, of),
      ...cross,
      ...name.map((line, row) =>
        centred(
          '',
          (left + right) / 2,
          Math.max(margin.top, top) - 0.8 - (name.length - 1 - row) * (smallMm + 0.4),
          line,
          smallMm,
        ),
      ),
    ];
  }

  /** From the left end of the wall to a thing, below the ground. */
  function dimension(toM: number, atY: number, { thing }: PlacedThing): DrawingItem[] {
    return [
      lineItem(
        '',
        [
          [x(0), atY],
          [x(toM), atY],
        ],
        { layer: 'dimensions', place: '', widthMm: 0.15 },
      ),
      ...[0, toM].map((at) =>
        lineItem(
          '',
          [
            [x(at), atY - 1],
            [x(at), atY + 1],
          ],
          { layer: 'dimensions', place: '', widthMm: 0.3 },
        ),
      ),
      textItem(thing.id, [x(toM) + 0.8, atY + smallMm / 3], drawnLength(toM, units), smallMm, 'dimensions'),
    ];
  }

  /** What is measured when a thing is hung: from the left, from the ground, to what is nearest on each side. */
  function distancesOf(one: PlacedThing): DrawingItem[] {
    const top = one.bottomM + one.heightM;
    const others = [...placed.filter((other) => other !== one), ...wall.openings];
    const level = others.filter(
      (other) => other.bottomM < top && other.bottomM + other.heightM > one.bottomM,
    );
    const leftEnd = Math.max(
      0,
      ...level.map((other) => other.leftM + other.widthM).filter((at) => at <= one.leftM + 1e-9),
    );
    const right = one.leftM + one.widthM;
    const rightEnd = Math.min(
      wall.lengthM,
      ...level.map((other) => other.leftM).filter((at) => at >= right - 1e-9),
    );
    const { space } = workingSpace(one, []);
    const ground = y(0);
    /** Between two points of the wall, in the second row below the ground. */
    const across = (fromM: number, toM: number): DrawingItem[] =>
      toM - fromM < 0.005
        ? []
        : [
            lineItem(
              '',
              [
                [x(fromM), ground + 10],
                [x(toM), ground + 10],
              ],
              { layer: 'dimensions', place: '', widthMm: 0.15 },
            ),
            ...[fromM, toM].map((at) =>
              lineItem(
                '',
                [
                  [x(at), ground + 9],
                  [x(at), ground + 11],
                ],
                { layer: 'dimensions', place: '', widthMm: 0.3 },
              ),
            ),
            centred('', x((fromM + toM) / 2), ground + 14, drawnLength(toM - fromM, units), smallMm),
          ];
    /** Above the ground, left of the wall. */
    const height = (atM: number, text: string): DrawingItem[] => [
      lineItem(
        '',
        [
          [x(0) - 3, y(atM)],
          [x(one.leftM), y(atM)],
        ],
        { layer: 'dimensions', place: '', widthMm: 0.12, dashed: true },
      ),
      textItem('', [1, y(atM) + smallMm / 3], text, smallMm, 'dimensions'),
    ];
    return [
      box('', space, { layer: 'clearances', widthMm: 0.25, dashed: true }),
      ...dimension(one.leftM, ground + rows.first, one),
      ...across(leftEnd, one.leftM),
      ...across(right, rightEnd),
      ...height(one.bottomM, drawnLength(one.bottomM, units)),
      ...height(top, drawnLength(top, units)),
    ];
  }
}

/** A text in lines no wider than its room. */
function wrapped(text: string, widthMm: number, heightMm: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length === 0 ? word : `${lines.at(-1)!} ${word}`;
    if (lines.length > 0 && textWidthMm(longer, heightMm) <= widthMm) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
