import { quantityText, type UnitSystem } from '../../base/index.js';
import { conductorText, legsOf, type Leg } from '../../electric/index.js';
import type { WiredDesign } from '../check-wiring.js';
import { feedersFromGrid, towardsGrid } from '../graph/feeders-from-grid.js';
import type { WiringGraph, WiringPart, WiringPlace } from '../graph/wiring-graph.js';
import { type Drawing, type DrawingItem, textWidthMm } from './drawing.schema.js';
import { lineItem, textItem } from './items.js';
import { lineMm, type OneLineTag, textMm } from './one-line-plan.js';

const marginMm = 6;
const columnMm = 11;
const placeRowMm = 15;
const deviceRowMm = 16;
const contactMm = 6;

/** A way from the grid through an isolating device to what feeds the island. */
export interface ThreeLineWay {
  /** Id of the isolating device. */
  readonly deviceId: string;
  readonly name: string;
  /** From the grid on; what is at the end of each part follows it. */
  readonly parts: readonly WiringPart[];
}

/** The ways a three-line drawing can show: one for each isolating device, to the first inverter behind it, else to the last busbar. */
export function threeLineWays(graph: WiringGraph): ThreeLineWay[] {
  const fedBy = feedersFromGrid(graph);
  const wayTo = (place: string): WiringPart[] =>
    [...towardsGrid(fedBy, place)].map(({ part }) => part).reverse();
  const ends = [
    ...graph.sources.filter(({ kind }) => kind === 'inverter').map(({ at }) => at),
    ...graph.places.filter(({ kind }) => kind === 'bus').map(({ id }) => id),
  ].map(wayTo);
  return graph.parts.flatMap((part): ThreeLineWay[] => {
    if (part.device?.kind !== 'isolating') return [];
    const way = ends.find((parts) => parts.includes(part)) ?? wayTo(part.to);
    return way.length > 0 ? [{ deviceId: part.id, name: part.name, parts: way }] : [];
  });
}

interface Columns {
  /** x of each conductor that carries current. */
  readonly lines: readonly (readonly [leg: Leg, x: number])[];
  readonly neutral: number;
  readonly earth: number;
}

/**
 * The isolating point with every conductor of its own: what switches the neutral, and where neutral and earth are joined. From the grid above to the
 * source below.
 *
 * @param earthName what the protective conductor is called there
 */
export function threeLineDrawing(
  { graph, cables }: WiredDesign,
  way: ThreeLineWay,
  legs: readonly Leg[],
  tags: readonly OneLineTag[],
  earthName: string,
  units: UnitSystem,
): Drawing {
  const places = new Map(graph.places.map((place) => [place.id, place]));
  const tagOf = new Map(tags.map(({ about, tag }) => [about, tag]));
  const said = (id: string, name: string): string => `${tagOf.get(id) ?? ''} ${name}`.trim();
  const first = places.get(startOf(way.parts))!;
  const leftW = Math.max(
    ...[first, ...way.parts.flatMap(({ to }) => places.get(to) ?? [])].map(({ id, name }) =>
      textWidthMm(said(id, name), textMm),
    ),
    ...way.parts.map(({ id, device }) => textWidthMm(device ? said(id, device.name) : '', textMm)),
  );
  const x0 = marginMm + leftW + 6;
  const columns: Columns = {
    lines: legs.map((leg, index) => [leg, x0 + index * columnMm] as const),
    neutral: x0 + legs.length * columnMm,
    earth: x0 + (legs.length + 1) * columnMm,
  };
  const textX = columns.earth + 8;
  const items: DrawingItem[] = [];
  let y = marginMm + textMm + 3;
  for (const [name, x] of [...columns.lines, ['N', columns.neutral], [earthName, columns.earth]] as const)
    items.push(centred(name, x, y - 2.5));
  const top = y;
  items.push(...placeItems(graph, first, columns, y, marginMm, said(first.id, first.name)));
  let place = first;
  for (const part of way.parts) {
    place = places.get(part.from === place.id ? part.to : part.from)!;
    const fed = legsFed(part, legs);
    if (part.device) {
      items.push(...deviceItems(part, columns, y, fed, marginMm, said(part.id, part.device.name)));
      const rating = part.device.ratingA ? `${part.device.ratingA.value} A` : '? A';
      items.push(textItem(part.id, [textX, y + deviceRowMm / 2], rating, textMm));
      y += deviceRowMm;
    }
    items.push(...runItems(part, columns, y, fed));
    const sized = cables.get(part.id);
    if (part.cable && !part.cable.isUtility)
      items.push(
        ...[
          sized?.conductor ? conductorText(sized.conductor) : 'conductor not known',
          quantityText(part.cable.lengthM.value, 'm', units),
        ].map((line, index) => textItem(part.id, [textX, y + 3 + index * lineMm], line, textMm)),
      );
    items.push(
      ...placeItems(graph, place, columns, y + placeRowMm / 2, marginMm, said(place.id, place.name)),
    );
    y += placeRowMm;
  }
  // The protective conductor is never interrupted.
  items.push(
    lineItem(
      '',
      [
        [columns.earth, top],
        [columns.earth, y],
      ],
      { layer: 'earthing', dashed: true },
    ),
    ...earthItems(columns.earth, y),
  );
  const widest = Math.max(
    ...items.map((item) =>
      item.kind === 'text'
        ? item.at[0] + textWidthMm(item.text, item.heightMm) * (item.anchor === 'middle' ? 0.5 : 1)
        : 0,
    ),
    columns.earth + 4,
  );
  return { widthMm: widest + marginMm, heightMm: y + 8, items };
}

const startOf = (parts: readonly WiringPart[]): string => {
  const [first, second] = parts;
  if (!first) return '';
  // A part is walked from whichever end is nearer to the grid.
  return second && (second.from === first.from || second.to === first.from) ? first.to : first.from;
};

const legsFed = ({ cable }: WiringPart, legs: readonly Leg[]): readonly Leg[] =>
  cable?.legs ? legsOf(cable.legs).filter((leg) => legs.includes(leg)) : legs;

const centred = (text: string, x: number, y: number): DrawingItem =>
  textItem('', [x, y], text, textMm, 'text', 'middle');

/** Conductors from the row of a part into the row of the place behind it. */
function runItems(
  part: WiringPart,
  { lines, neutral }: Columns,
  y: number,
  fed: readonly Leg[],
): DrawingItem[] {
  const run = (x: number, layer: DrawingItem['layer']): DrawingItem =>
    lineItem(
      part.id,
      [
        [x, y],
        [x, y + placeRowMm],
      ],
      { layer, place: part.to },
    );
  return [
    ...lines.flatMap(([leg, x]) => (fed.includes(leg) ? [run(x, 'conductors')] : [])),
    ...(part.neutral ? [run(neutral, 'symbols')] : []),
  ];
}

/** A switch: a contact in every conductor it opens, joined by their common handle; the others go through. */
function deviceItems(
  part: WiringPart,
  { lines, neutral }: Columns,
  y: number,
  fed: readonly Leg[],
  left: number,
  name: string,
): DrawingItem[] {
  const { id, device, from } = part;
  const mid = y + deviceRowMm / 2;
  const foot = y + deviceRowMm;
  const switched = [
    ...lines.flatMap(([leg, x]) => (fed.includes(leg) ? [x] : [])),
    ...(device!.switchesNeutral && part.neutral ? [neutral] : []),
  ];
  const upright = (x: number, y1: number, y2: number, place: string): DrawingItem =>
    lineItem(
      id,
      [
        [x, y1],
        [x, y2],
      ],
      { place },
    );
  const contact = (x: number): DrawingItem[] => [
    upright(x, y, mid - contactMm / 2, from),
    upright(x, mid + contactMm / 2, foot, part.to),
    lineItem(id, [
      [x, mid + contactMm / 2],
      [x - contactMm / 2, mid - contactMm / 2 + 0.6],
    ]),
    lineItem(id, [
      [x - 1.1, mid - contactMm / 2],
      [x + 1.1, mid - contactMm / 2],
    ]),
  ];
  return [
    textItem(id, [left, mid + textMm * 0.4], name, textMm),
    ...switched.flatMap(contact),
    ...(part.neutral && !device!.switchesNeutral ? [upright(neutral, y, foot, '')] : []),
    ...(switched.length > 1
      ? [
          lineItem(
            id,
            [
              [switched[0]! - contactMm / 4, mid],
              [switched.at(-1)! - contactMm / 4, mid],
            ],
            { dashed: true, widthMm: 0.25 },
          ),
        ]
      : []),
  ];
}

/** A place: a dot on each conductor, its name, and the bond of neutral and earth, where it is here. */
function placeItems(
  { bonds }: WiringGraph,
  { id }: WiringPlace,
  { lines, neutral, earth }: Columns,
  y: number,
  left: number,
  name: string,
): DrawingItem[] {
  const dot = (x: number): DrawingItem => ({
    kind: 'circle',
    layer: 'symbols',
    about: id,
    place: id,
    centre: [x, y],
    radiusMm: 0.9,
    filled: true,
  });
  const bond = bonds.find(({ at }) => at === id);
  const level = (x1: number, x2: number): DrawingItem =>
    lineItem(
      id,
      [
        [x1, y],
        [x2, y],
      ],
      { layer: 'earthing', widthMm: 0.9 },
    );
  const middle = (neutral + earth) / 2;
  return [
    textItem(id, [left, y + textMm * 0.4], name, textMm),
    ...[...lines.map(([, x]) => x), neutral].map(dot),
    ...(bond === undefined
      ? []
      : bond.when.kind === 'always'
        ? [level(neutral, earth)]
        : [
            // A relay closes it.
            level(neutral, middle - 1.5),
            level(middle + 1.5, earth),
            lineItem(
              id,
              [
                [middle + 1.5, y],
                [middle - 1.2, y - 2],
              ],
              { layer: 'earthing', widthMm: 0.9 },
            ),
          ]),
  ];
}

/** The sign of earth. */
const earthItems = (x: number, y: number): DrawingItem[] =>
  [3, 1.8, 0.7].map((half, index) =>
    lineItem(
      '',
      [
        [x - half, y + index * 1.1],
        [x + half, y + index * 1.1],
      ],
      { layer: 'earthing' },
    ),
  );
