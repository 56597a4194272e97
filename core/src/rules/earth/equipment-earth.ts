import type { PublishedTable } from '../../base/index.js';
import type { AmericanSize, ConductorMaterial } from '../../electric/index.js';

/** [device up to, A; copper; aluminium]. */
export const equipmentEarths: PublishedTable<
  readonly (readonly [upToA: number, copper: AmericanSize, aluminium: AmericanSize])[]
> = {
  title: 'Minimum size of equipment grounding conductors',
  clause: 'Table 250.122',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    [15, '14 AWG', '12 AWG'],
    [20, '12 AWG', '10 AWG'],
    [60, '10 AWG', '8 AWG'],
    [100, '8 AWG', '6 AWG'],
    [200, '6 AWG', '4 AWG'],
    [300, '4 AWG', '2 AWG'],
    [400, '3 AWG', '1 AWG'],
    [500, '2 AWG', '1/0 AWG'],
    [600, '1 AWG', '2/0 AWG'],
    [800, '1/0 AWG', '3/0 AWG'],
  ],
};

/** [copper, aluminium; their areas in circular mils]. */
export const circularMils: PublishedTable<Readonly<Record<AmericanSize, number>>> = {
  title: 'Conductor properties, area',
  clause: 'Chapter 9, Table 8',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '14 AWG': 4110,
    '12 AWG': 6530,
    '10 AWG': 10380,
    '8 AWG': 16510,
    '6 AWG': 26240,
    '4 AWG': 41740,
    '3 AWG': 52620,
    '2 AWG': 66360,
    '1 AWG': 83690,
    '1/0 AWG': 105600,
    '2/0 AWG': 133100,
    '3/0 AWG': 167800,
    '4/0 AWG': 211600,
    '250 kcmil': 250000,
    '300 kcmil': 300000,
    '350 kcmil': 350000,
    '400 kcmil': 400000,
    '500 kcmil': 500000,
  },
};

/**
 * Equipment earth (grounding) conductor behind a device; where line conductors are larger than they need be, for voltage drop, it grows in
 * proportion of their areas (250.122(B)).
 *
 * @param raised size needed and size taken, where they differ
 * @returns null beyond 800 A
 * @example equipmentEarth(60, 'copper') // '10 AWG'
 */
export function equipmentEarth(
  deviceA: number,
  material: ConductorMaterial,
  raised?: { readonly from: AmericanSize; readonly to: AmericanSize },
): AmericanSize | null {
  const row = equipmentEarths.values.find(([upToA]) => deviceA <= upToA);
  if (!row) return null;
  const plain = material === 'copper' ? row[1] : row[2];
  if (!raised) return plain;
  const { values } = circularMils;
  const area = values[plain] * Math.max(1, values[raised.to] / values[raised.from]);
  const sizes = Object.keys(values) as AmericanSize[];
  // Never larger than the line conductors.
  const needed = sizes.find((size) => values[size] >= area - 1e-9) ?? raised.to;
  return values[needed] > values[raised.to] ? raised.to : needed;
}
