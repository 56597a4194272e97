import { quantityText, type UnitSystem } from '../../base/index.js';
import { conductorText } from '../../electric/index.js';
import type { WiredDesign } from '../check-wiring.js';
import type { WiringCable, WiringGraph, WiringPart } from '../graph/wiring-graph.js';
import { electrodeSizeAt } from '../sizing/electrode-size-at.js';
import type { SizedCable } from '../sizing/size-cable.js';
import { type DrawingLayer, textWidthMm } from './drawing.schema.js';

export type OneLineSymbol =
  | 'grid'
  | 'meter'
  | 'bus'
  | 'terminals'
  | 'inverter'
  | 'array'
  | 'generator'
  | 'battery'
  | 'fuse'
  | 'breaker'
  | 'disconnect'
  | 'isolating'
  | 'transfer'
  | 'surge'
  | 'sensors';

/** Something that stands on the drawing, with the room it needs. */
export interface OneLineBox {
  readonly id: string;
  /** The part or place it shows. */
  readonly about: string;
  readonly symbol: OneLineSymbol;
  readonly tag: string;
  readonly lines: readonly string[];
  readonly widthMm: number;
  readonly heightMm: number;
  readonly enclosure: string;
  /** Neutral and earth are joined here: always, by a relay, or not. */
  readonly bond: 'always' | 'relay' | null;
  /** Lines that leave it. */
  readonly leaving: number;
}

export interface OneLineWire {
  readonly id: string;
  readonly about: string;
  readonly from: string;
  readonly to: string;
  readonly layer: Extract<DrawingLayer, 'conductors' | 'communication'>;
  /** The place whose voltage it has; '' = none. */
  readonly place: string;
  readonly lines: readonly string[];
}

/** Where a line leaves a busbar, mm from the left side of its box. */
export const leavesAtMm = (
  { widthMm, bond, leaving }: Pick<OneLineBox, 'widthMm' | 'bond' | 'leaving'>,
  index: number,
): number => ((widthMm - (bond === null ? 0 : bondMm)) * (index + 1)) / (leaving + 1);

/** What a one-line drawing shows, before anything has a place. */
export interface OneLinePlan {
  readonly boxes: readonly OneLineBox[];
  readonly wires: readonly OneLineWire[];
  readonly enclosures: readonly { readonly id: string; readonly name: string }[];
}

export const textMm = 2.6;
export const lineMm = 3.6;
export const symbolMm = 8;
export const textGapMm = 1.5;
/** Room for the sign of a bond, for each line that leaves a busbar, and below its bar. */
export const bondMm = 8;
export const busStepMm = 9;
export const busFootMm = 6;
export const barGapMm = 1.2;
const widestLetters = 22;

/** Text in lines that are not too wide. */
function wrapped(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < widestLetters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}

/** Letters of tags by what a thing is (IEC 81346-2: Q switches, T converts, G generates, P measures and shows, B senses, F protects, X connects). */
const tagLetter: Readonly<Record<OneLineSymbol, string>> = {
  grid: 'G',
  meter: 'P',
  bus: 'W',
  terminals: 'X',
  inverter: 'T',
  array: 'G',
  generator: 'G',
  battery: 'G',
  fuse: 'F',
  breaker: 'Q',
  disconnect: 'Q',
  isolating: 'Q',
  transfer: 'Q',
  surge: 'F',
  sensors: 'B',
};

const symbolOfPart = ({ device }: WiringPart): OneLineSymbol => {
  switch (device?.kind) {
    case 'isolating':
      return 'isolating';
    case 'transfer':
      return 'transfer';
    case 'fuse':
      return 'fuse';
    case 'disconnect':
    case 'bypass':
      return 'disconnect';
    default:
      return 'breaker';
  }
};

/** Puts what one-line drawings show into boxes and wires: every device and place of the wiring once. */
export function oneLinePlan(
  { graph, cables, faults }: WiredDesign,
  units: UnitSystem = 'metric',
): OneLinePlan {
  const numbers = new Map<string, number>();
  const tag = (symbol: OneLineSymbol): string => {
    const letter = tagLetter[symbol];
    numbers.set(letter, (numbers.get(letter) ?? 0) + 1);
    return `${letter}${numbers.get(letter)}`;
  };
  const box = (
    of: Pick<OneLineBox, 'id' | 'about' | 'symbol' | 'enclosure' | 'bond'>,
    text: readonly string[],
    leaving: number,
  ): OneLineBox => {
    const own = tag(of.symbol);
    const lines = [own, ...text];
    const textW = Math.max(...lines.map((line) => textWidthMm(line, textMm)));
    const bondW = of.bond === null ? 0 : bondMm;
    const isBus = of.symbol === 'bus';
    const beside = symbolMm + textGapMm + textW + bondW + 1;
    return {
      ...of,
      leaving,
      tag: own,
      lines: text,
      widthMm: isBus ? Math.max(beside, busStepMm * (leaving + 1) + bondW) : beside,
      heightMm: isBus
        ? lines.length * lineMm + barGapMm + busFootMm
        : Math.max(symbolMm + 2, lines.length * lineMm),
    };
  };
  const hung = graph.accessories.flatMap(({ kind, ...of }) =>
    kind === 'electrode' ? [] : [{ ...of, kind }],
  );
  const leaving = (id: string): number =>
    graph.parts.filter(({ from }) => from === id).length +
    hung.filter(({ at, kind }) => at === id && kind === 'surge').length;
  const placeOf = new Map(graph.places.map((place) => [place.id, place]));
  const boxes = [
    ...graph.places.map((place) =>
      box(
        {
          id: place.id,
          about: place.id,
          symbol: place.kind,
          enclosure: place.enclosure,
          bond: bondAt(graph, place.id),
        },
        [
          // Terminals inside a box go by its name.
          ...(place.kind === 'terminals' && place.enclosure !== place.id ? [] : wrapped(place.name)),
          ...(place.busA === null ? [] : [`bus ${place.busA} A`]),
          ...(place.kind === 'bus' && faults.has(place.id)
            ? [`${(faults.get(place.id)! / 1000).toFixed(1)} kA`]
            : []),
          ...electrodeLines(graph, cables, place.id),
        ],
        leaving(place.id),
      ),
    ),
    ...graph.parts
      .filter(({ device }) => device !== null)
      .map((part) =>
        box(
          {
            id: `device:${part.id}`,
            about: part.id,
            symbol: symbolOfPart(part),
            enclosure: enclosureOf(graph, part),
            bond: null,
          },
          [
            ...wrapped(part.device!.name),
            `${part.device!.ratingA ? `${part.device!.ratingA.value} A` : '? A'} ${part.device!.poles}P${part.device!.switchesNeutral ? '+N' : ''}`,
          ],
          1,
        ),
      ),
    ...hung.map(({ id, kind, name, at, poles }) =>
      box(
        {
          id,
          about: id,
          symbol: kind,
          enclosure: kind === 'surge' ? (placeOf.get(at)?.enclosure ?? id) : id,
          bond: null,
        },
        [...wrapped(name), `${poles}P`],
        0,
      ),
    ),
  ];
  const layer = 'conductors';
  const devices = new Set(graph.parts.flatMap(({ id, device }) => (device ? [id] : [])));
  const boxOf = (id: string): string => (devices.has(id) ? `device:${id}` : id);
  const wires = graph.parts.flatMap((part): OneLineWire[] => {
    const lines = part.cable ? cableLines(part.cable, cables.get(part.id) ?? null, units) : [];
    if (part.device === null)
      return [{ id: part.id, about: part.id, from: part.from, to: part.to, place: part.to, layer, lines }];
    const device = `device:${part.id}`;
    return [
      { id: `${part.id}:1`, about: part.id, from: part.from, to: device, place: part.from, layer, lines: [] },
      { id: `${part.id}:2`, about: part.id, from: device, to: part.to, place: part.to, layer, lines },
    ];
  });
  wires.push(
    // Sensors lie around the conductors: nothing of theirs flows through them.
    ...hung.map(({ id, kind, at }): OneLineWire => ({
      id: `${id}:1`,
      about: id,
      from: at,
      to: id,
      ...(kind === 'sensors'
        ? ({ place: '', layer: 'communication' } as const)
        : ({ place: at, layer } as const)),
      lines: [],
    })),
    ...graph.links.map(({ id, from, to }): OneLineWire => ({
      id,
      about: id,
      from: boxOf(from),
      to: boxOf(to),
      place: '',
      layer: 'communication',
      lines: [],
    })),
  );
  const count = new Map<string, number>();
  for (const { enclosure } of boxes) count.set(enclosure, (count.get(enclosure) ?? 0) + 1);
  const enclosures = [...count]
    .filter(([, boxesIn]) => boxesIn > 1)
    .map(([id]) => ({ id, name: enclosureName(graph, id) }));
  return { boxes, wires, enclosures };
}

/** What stands beside a cable: its conductors, then its conduit, length and drop. */
function cableLines(
  { isUtility, lengthM }: WiringCable,
  sized: SizedCable | null,
  units: UnitSystem,
): string[] {
  if (isUtility) return ['utility'];
  const conduit = sized?.conduit.at(-1);
  const dropShare = sized?.dropShare ?? null;
  return [
    `${sized?.conductor ? conductorText(sized.conductor) : 'not known'}${sized?.earth ? ` + ${sized.earth}` : ''}`,
    `${conduit ? `${conduit.size} in, ` : ''}${quantityText(lengthM.value, 'm', units)}${dropShare === null ? '' : `, ${(100 * dropShare).toFixed(1)} %`}`,
  ];
}

/** The conductor to the electrodes that hang on a place. */
function electrodeLines(graph: WiringGraph, cables: WiredDesign['cables'], id: string): readonly string[] {
  if (!graph.accessories.some(({ kind, at }) => kind === 'electrode' && at === id)) return [];
  const size = electrodeSizeAt(graph, cables, id);
  return size === null ? ['to electrode'] : [`${size} to electrode`];
}

const bondAt = ({ bonds }: WiringGraph, id: string): OneLineBox['bond'] => {
  const bond = bonds.find(({ at }) => at === id);
  if (!bond) return null;
  return bond.when.kind === 'always' ? 'always' : 'relay';
};

/** A main stands in the box it feeds, a breaker in the one it is fed from. */
function enclosureOf({ places }: WiringGraph, { id, from, to, device }: WiringPart): string {
  if (device?.kind === 'disconnect') return `device:${id}`;
  const of = (id: string): string => places.find((place) => place.id === id)?.enclosure ?? id;
  return device?.kind === 'main' || device?.kind === 'isolating' || device?.kind === 'bypass'
    ? of(to)
    : of(from);
}

function enclosureName({ places, parts }: WiringGraph, id: string): string {
  const bus = places.find((place) => place.enclosure === id && place.kind === 'bus');
  const device = parts.find((part) => part.id === id);
  const first = bus?.name ?? device?.name ?? places.find((place) => place.enclosure === id)?.name ?? '';
  // What follows a comma says which one; the device in it says that too.
  const name = first.split(',')[0]!;
  return name.charAt(0).toUpperCase() + name.slice(1);
}

/** What a thing of the wiring is called on the drawing. */
export interface OneLineTag {
  readonly about: string;
  readonly tag: string;
}

export const oneLineTags = ({ boxes }: OneLinePlan): OneLineTag[] =>
  boxes.map(({ about, tag }) => ({ about, tag }));
