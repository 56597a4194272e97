import { type Conductor, conductorText, legsOf } from '../../electric/index.js';
import type { WiringDevice, WiringDeviceKind, WiringPart } from '../graph/wiring-graph.js';
import { wiringNames } from '../graph/wiring-names.js';
import type { SizedCable } from '../sizing/size-cable.js';
import type { SizedWiring } from '../size-wiring.js';

export const materialKinds = ['devices', 'conductors', 'conduit', 'connections', 'control', 'signs'] as const;
export type MaterialKind = (typeof materialKinds)[number];
/** What each kind is called where it is listed. */
export const materialKindNames: Readonly<Record<MaterialKind, string>> = {
  devices: 'Devices',
  conductors: 'Conductors',
  conduit: 'Conduit',
  connections: 'Connections',
  control: 'Measuring and communication',
  signs: 'Signs',
};

/** What an item of a list must be to stand for a line; `other` = nothing a list knows by its ratings. */
export type MaterialIs =
  | { readonly kind: 'conductor'; readonly size: string; readonly material: Conductor['material'] }
  | { readonly kind: 'conduit'; readonly size: string }
  | {
      readonly kind: 'breaker';
      readonly ratingA: number | null;
      readonly poles: number;
      /** The panel is listed for breakers of it; '' = not known, or no panel. */
      readonly family: string;
    }
  | { readonly kind: 'disconnect'; readonly ratingA: number | null; readonly poles: number }
  | { readonly kind: 'fuse'; readonly ratingA: number | null }
  | { readonly kind: 'metering' | 'communication' | 'other' };

/** Something the wiring of a design is made of, put together over the house. */
export interface MaterialLine {
  readonly kind: MaterialKind;
  readonly name: string;
  readonly is: MaterialIs;
  readonly quantity: number;
  /** Pieces, or metres of a run. */
  readonly unit: 'count' | 'm';
  /** Where it goes. */
  readonly where: readonly string[];
}

const deviceNames: Readonly<Partial<Record<WiringDeviceKind, string>>> = {
  breaker: 'Breaker',
  main: 'Main breaker',
  disconnect: 'Disconnect',
  fuse: 'Fuse',
  transfer: 'Transfer switch',
  bypass: 'Bypass switch',
};

/** Conductors that carry current in a cable. */
const conductorsOf = ({ cable, neutral }: WiringPart): number =>
  cable?.legs ? legsOf(cable.legs).length + (neutral ? 1 : 0) : 2;

const other: MaterialIs = { kind: 'other' };

const conductorIs = ({ size, material }: Pick<Conductor, 'size' | 'material'>): MaterialIs => ({
  kind: 'conductor',
  size,
  material,
});

function itemFor({ kind, ratingA, poles }: WiringDevice, family: string): MaterialIs {
  const value = ratingA?.value ?? null;
  switch (kind) {
    case 'breaker':
    case 'main':
      return { kind: 'breaker', ratingA: value, poles, family };
    case 'disconnect':
      return { kind: 'disconnect', ratingA: value, poles };
    case 'fuse':
      return { kind: 'fuse', ratingA: value };
    default:
      return other;
  }
}

/** Conduit is sold in pieces of so many metres, joined by couplings, and each run ends in two connectors (common practice, no source). */
const pieceM = 3;

/** From this cross-section on an end is made with a lug (common practice, no source), mm²: 1/0 AWG. */
const lugFromMm2 = 50;

/**
 * What is bought for the wiring beside the units: devices by rating and the family their panel is listed for, conductors and conduit by the metre as they
 * run, connectors and couplings, lugs, signs. What is there already is not in it. Lengths are those of the runs: cuttings and bends come on top.
 *
 * @param areaOf cross-section of a conductor, mm²
 * @param signs how many hang in the house
 * @param familyOf family of breakers that a panel is listed for; '' = not known
 */
export function wiringMaterial(
  { graph, cables }: Pick<SizedWiring, 'graph' | 'cables'>,
  areaOf: (conductor: NonNullable<SizedCable['conductor']>) => number,
  signs: number,
  familyOf: (panelId: string) => string = () => '',
): MaterialLine[] {
  const lines = new Map<
    string,
    { line: Omit<MaterialLine, 'where' | 'quantity'>; quantity: number; where: string[] }
  >();
  const add = (
    kind: MaterialKind,
    name: string,
    is: MaterialIs,
    quantity: number,
    unit: MaterialLine['unit'],
    where: string,
  ): void => {
    const key = `${kind} ${name}`;
    const known = lines.get(key) ?? { line: { kind, name, is, unit }, quantity: 0, where: [] };
    known.quantity += quantity;
    if (where !== '' && !known.where.includes(where)) known.where.push(where);
    lines.set(key, known);
  };
  const panelAt = new Map(graph.places.map(({ id, panelId }) => [id, panelId]));
  for (const part of graph.parts) {
    const { device, cable, id, name, times, from } = part;
    if (!cable?.isNew) continue;
    const kindName = device && deviceNames[device.kind];
    const panelId = panelAt.get(from) ?? null;
    const is = device && itemFor(device, panelId === null ? '' : familyOf(panelId));
    if (kindName && is)
      add(
        'devices',
        [
          kindName,
          device.ratingA ? `${device.ratingA.value} A` : 'rating not known',
          `${device.poles} poles`,
          ...(is.kind === 'breaker' && is.family !== '' ? [is.family] : []),
        ].join(', '),
        is,
        times,
        'count',
        device.name,
      );
    const sized = cables.get(id);
    const { conductor = null, earth = null, conduit = [] } = sized ?? {};
    const lengthM = cable.lengthM.value;
    if (conductor) {
      add(
        'conductors',
        conductorText(conductor),
        conductorIs(conductor),
        times * conductorsOf(part) * lengthM,
        'm',
        name,
      );
      if (areaOf(conductor) >= lugFromMm2 || cable.use === 'battery')
        add(
          'connections',
          `Lug for ${conductorText(conductor)}`,
          other,
          2 * times * conductorsOf(part),
          'count',
          name,
        );
    }
    if (earth)
      add(
        'conductors',
        `${earth} Cu, protective`,
        conductorIs({ size: earth, material: 'copper' }),
        times * lengthM,
        'm',
        name,
      );
    const size = conduit.at(-1)?.size;
    if (!size) continue;
    const conduitIs: MaterialIs = { kind: 'conduit', size: `${size} in` };
    add('conduit', `Conduit, ${size} in`, conduitIs, times * lengthM, 'm', name);
    add('conduit', `Conduit connector, ${size} in`, other, 2 * times, 'count', name);
    const joints = Math.ceil(lengthM / pieceM) - 1;
    if (joints > 0) add('conduit', `Conduit coupling, ${size} in`, other, joints * times, 'count', name);
  }
  const placeLengthM = new Map(
    graph.parts.flatMap(({ to, cable }) => (cable ? [[to, cable.lengthM.value]] : [])),
  );
  const names = wiringNames(graph);
  for (const { kind, name, at, isNew, poles } of graph.accessories) {
    if (!isNew) continue;
    if (kind === 'sensors') add('control', 'Current sensor', { kind: 'metering' }, poles, 'count', name);
    if (kind === 'electrode') add('connections', name, other, 1, 'count', names.get(at) ?? '');
  }
  // It lies beside the conductors of what it speaks to.
  for (const { name, from, to } of graph.links)
    add(
      'control',
      name,
      { kind: 'communication' },
      placeLengthM.get(to) ?? 0,
      'm',
      `${names.get(from) ?? ''} to ${names.get(to) ?? ''}`,
    );
  if (signs > 0) add('signs', 'Signs, as listed', other, signs, 'count', '');
  return [...lines.values()]
    .map(({ line, quantity, where }) => ({ ...line, quantity: Math.round(quantity * 10) / 10, where }))
    .toSorted(
      (a, b) => materialKinds.indexOf(a.kind) - materialKinds.indexOf(b.kind) || a.name.localeCompare(b.name),
    );
}
