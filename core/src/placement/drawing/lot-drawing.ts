import type { UnitSystem } from '../../base/index.js';
import { facingOf, type Lot, type LotMark, markKinds, type Wall } from '../../house/index.js';
import {
  cornersOf,
  type Drawing,
  type DrawingItem,
  lineItem,
  textItem,
  textWidthMm,
} from '../../wiring/index.js';
import type { PlacedThing } from '../things/placed-things.js';
import { drawnLength } from './length-text.js';

const sheetMm = 150;
const scales = [50, 100, 200, 250, 500, 1000] as const;
const marginMm = 16;
const textMm = 3.4;
const degree = Math.PI / 180;

interface Point {
  readonly eastM: number;
  readonly northM: number;
}

/** Where the two ends of a wall are on the plan, left one first; null = it is on no side of the outline. */
export function wallEnds({ corners }: Pick<Lot, 'corners'>, wall: Wall): readonly [Point, Point] | null {
  if (wall.side === null || corners.length < 3) return null;
  const [from, to] = [corners[wall.side], corners[(wall.side + 1) % corners.length]];
  if (!from || !to) return null;
  const length = Math.hypot(to.eastM - from.eastM, to.northM - from.northM);
  if (length === 0) return null;
  const at = (m: number): Point => ({
    eastM: from.eastM + ((to.eastM - from.eastM) * m) / length,
    northM: from.northM + ((to.northM - from.northM) * m) / length,
  });
  return [at(wall.alongM), at(wall.alongM + wall.lengthM)];
}

/** Where a thing on a wall is on the plan; null = its wall is on no side of the outline. */
export function thingPoint(lot: Pick<Lot, 'corners'>, { wall, leftM, widthM }: PlacedThing): Point | null {
  const ends = wallEnds(lot, wall);
  if (!ends) return null;
  const share = (leftM + widthM / 2) / wall.lengthM;
  const [a, b] = ends;
  return { eastM: a.eastM + (b.eastM - a.eastM) * share, northM: a.northM + (b.northM - a.northM) * share };
}

const middle = ({ eastM, northM, widthM, depthM }: LotMark): Point => ({
  eastM: eastM + widthM / 2,
  northM: northM + depthM / 2,
});

/**
 * The house on its lot, seen from above, north up, to scale: outline, walls by their letter, what stands around, what is put on the walls, and how far meters and disconnects are from it; the site sketch of a permit.
 *
 * @returns null where nothing of the lot is entered
 */
export function lotDrawing(lot: Lot, placed: readonly PlacedThing[], units: UnitSystem): Drawing | null {
  const { corners, marks, walls } = lot;
  const points: Point[] = [
    ...corners,
    ...marks.flatMap((mark) => [
      mark,
      { eastM: mark.eastM + mark.widthM, northM: mark.northM + mark.depthM },
    ]),
  ];
  if (points.length < 2) return null;
  const east = points.map(({ eastM }) => eastM);
  const north = points.map(({ northM }) => northM);
  const [west, south] = [Math.min(...east), Math.min(...north)];
  const [wide, deep] = [Math.max(...east) - west, Math.max(...north) - south];
  const scale = scales.find((one) => (Math.max(wide, deep) * 1000) / one <= sheetMm) ?? scales.at(-1)!;
  const perM = 1000 / scale;
  const height = deep * perM + 2 * marginMm + 14;
  const at = ({ eastM, northM }: Point): readonly [number, number] => [
    marginMm + (eastM - west) * perM,
    marginMm + (deep - (northM - south)) * perM,
  ];
  const items: DrawingItem[] = [];
  const label = (
    about: string,
    [px, py]: readonly [number, number],
    text: string,
    heightMm = textMm,
  ): void => {
    items.push(textItem(about, [px, py], text, heightMm));
  };
  if (corners.length > 2)
    items.push(lineItem('', corners.map(at), { layer: 'structure', place: '', widthMm: 0.9, closed: true }));
  for (const mark of marks) {
    const flat = mark.widthM === 0 && mark.depthM === 0;
    const [left, bottom] = at(mark);
    const name = mark.name === '' ? markKinds[mark.kind] : mark.name;
    if (flat)
      items.push({
        kind: 'circle',
        layer: 'openings',
        about: '',
        place: '',
        centre: [left, bottom],
        radiusMm: 1,
        filled: true,
      });
    else
      items.push(
        lineItem('', cornersOf(left, bottom - mark.depthM * perM, left + mark.widthM * perM, bottom), {
          layer: 'openings',
          place: '',
          widthMm: 0.3,
          closed: true,
          dashed: mark.kind === 'boundary' || mark.kind === 'driveway' || mark.kind === 'path',
        }),
      );
    label('', flat ? [left + 1.8, bottom - 1] : [left + 1, bottom - mark.depthM * perM + textMm + 1], name);
  }
  for (const wall of walls) {
    const ends = wallEnds(lot, wall);
    const facing = facingOf(lot, wall);
    if (!ends || facing === null) continue;
    const [a, b] = [at(ends[0]), at(ends[1])];
    // Drawn a little outside, so that it can be told from the outline.
    const out = [Math.sin(facing * degree), -Math.cos(facing * degree)] as const;
    const shift = ([px, py]: readonly [number, number], mm: number): readonly [number, number] => [
      px + out[0] * mm,
      py + out[1] * mm,
    ];
    items.push(
      lineItem(wall.id, [shift(a, 1.2), shift(b, 1.2)], { layer: 'enclosures', place: '', widthMm: 0.8 }),
    );
    const [mx, my] = shift([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], 8);
    label(wall.id, [mx - textWidthMm(wall.name, 3) / 2, my + 1], wall.name, 3);
  }
  const references = marks.filter(
    ({ kind }) => kind === 'meter' || kind === 'disconnect' || kind === 'panel',
  );
  const stands = placed.flatMap((one) => {
    const point = thingPoint(lot, one);
    return point ? [{ one, point }] : [];
  });
  stands.forEach(({ one, point }, index) => {
    const [px, py] = at(point);
    items.push(
      lineItem(one.thing.id, cornersOf(px - 1.1, py - 1.1, px + 1.1, py + 1.1), {
        layer: 'enclosures',
        place: '',
        widthMm: 0.5,
        closed: true,
      }),
    );
    label(one.thing.id, [px + 1.6, py + 3 + (index % 4) * 3], String(index + 1), 2.4);
  });
  const legend = stands.map(({ one, point }, index) => {
    const ways = references.map((mark) => {
      const to = middle(mark);
      const far = Math.hypot(to.eastM - point.eastM, to.northM - point.northM);
      return `${drawnLength(far, units)}${units === 'metric' ? ' mm' : ''} to ${(mark.name === '' ? markKinds[mark.kind] : mark.name).toLowerCase()}`;
    });
    return `${index + 1}  ${one.thing.name}${ways.length === 0 ? '' : `: ${ways.join(', ')}`}`;
  });
  legend.forEach((line, index) => {
    label('', [marginMm, height + index * 4], line, 2.4);
  });
  const width = Math.max(
    wide * perM + 2 * marginMm + 10,
    2 * marginMm + Math.max(0, ...legend.map((line) => textWidthMm(line, 2.4))),
  );
  // North arrow and a bar of ten metres, or thirty feet.
  const [nx, ny] = [width - 10, 14];
  items.push(
    lineItem(
      '',
      [
        [nx, ny + 6],
        [nx, ny - 6],
        [nx - 2, ny - 2],
        [nx, ny - 6],
        [nx + 2, ny - 2],
      ],
      { layer: 'dimensions', place: '', widthMm: 0.5 },
    ),
    textItem('', [nx - 1, ny - 7.5], 'N', 3, 'dimensions'),
  );
  const barM = units === 'metric' ? 5 : 4.572;
  const barY = height - 8;
  items.push(
    lineItem(
      '',
      [
        [marginMm, barY - 1.5],
        [marginMm, barY],
        [marginMm + barM * perM, barY],
        [marginMm + barM * perM, barY - 1.5],
      ],
      {
        layer: 'dimensions',
        place: '',
        widthMm: 0.5,
      },
    ),
    textItem(
      '',
      [marginMm + barM * perM + 2, barY],
      `${units === 'metric' ? '5 m' : '15 ft'}   1:${scale}`,
      textMm,
      'dimensions',
    ),
  );
  return { widthMm: width, heightMm: height + legend.length * 4 + 4, items };
}
