import type { PublishedTable } from '../../base/index.js';
import type { AmericanSize } from '../../electric/index.js';

export const tradeSizes = ['½', '¾', '1', '1¼', '1½', '2', '2½', '3'] as const;
export type TradeSize = (typeof tradeSizes)[number];

/** Inner area of thin-walled steel tubing (EMT), in². */
export const emtAreas: PublishedTable<Readonly<Record<TradeSize, number>>> = {
  title: 'Electrical metallic tubing, total area',
  clause: 'Chapter 9, Table 4',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '½': 0.304,
    '¾': 0.533,
    '1': 0.864,
    '1¼': 1.496,
    '1½': 2.036,
    '2': 3.356,
    '2½': 5.858,
    '3': 8.846,
  },
};

/** Area of a conductor of type THHN or THWN-2, in². */
export const thhnAreas: PublishedTable<Readonly<Record<AmericanSize, number>>> = {
  title: 'Dimensions of insulated conductors, THHN, THWN-2',
  clause: 'Chapter 9, Table 5',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '14 AWG': 0.0097,
    '12 AWG': 0.0133,
    '10 AWG': 0.0211,
    '8 AWG': 0.0366,
    '6 AWG': 0.0507,
    '4 AWG': 0.0824,
    '3 AWG': 0.0973,
    '2 AWG': 0.1158,
    '1 AWG': 0.1562,
    '1/0 AWG': 0.1855,
    '2/0 AWG': 0.2223,
    '3/0 AWG': 0.2679,
    '4/0 AWG': 0.3237,
    '250 kcmil': 0.397,
    '300 kcmil': 0.4608,
    '350 kcmil': 0.5242,
    '400 kcmil': 0.5863,
    '500 kcmil': 0.7073,
  },
};

/** Share of a conduit that conductors may fill: one, two, more. */
export const fillShares: PublishedTable<readonly [number, number, number]> = {
  title: 'Percent of cross section of conduit for conductors',
  clause: 'Chapter 9, Table 1',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [0.53, 0.31, 0.4],
};

/** Up to 24 in long, any number (note 4). */
export const nippleShare = 0.6;

/** Share that so many conductors may fill. */
export const fillShare = (count: number, nipple = false): number =>
  nipple ? nippleShare : fillShares.values[count <= 1 ? 0 : count === 2 ? 1 : 2];

export interface ConduitFill {
  readonly size: TradeSize;
  readonly filledShare: number;
  readonly allowedShare: number;
  readonly holds: boolean;
}

/** How full each size of conduit would be with these conductors, up to the first that holds them. */
export function conduitFor(conductors: readonly AmericanSize[], nipple = false): readonly ConduitFill[] {
  const area = conductors.reduce((sum, size) => sum + thhnAreas.values[size], 0);
  const allowedShare = fillShare(conductors.length, nipple);
  const tried: ConduitFill[] = [];
  for (const size of tradeSizes) {
    const filledShare = area / emtAreas.values[size];
    tried.push({ size, filledShare, allowedShare, holds: filledShare <= allowedShare + 1e-9 });
    if (tried.at(-1)!.holds) break;
  }
  return tried;
}

/** How many equal conductors a conduit holds: a remainder of 0.8 counts as one more (note 7). */
export function mostEqual(conductor: AmericanSize, conduit: TradeSize): number {
  const fits = (share: number): number => {
    const exact = (share * emtAreas.values[conduit]) / thhnAreas.values[conductor];
    return exact - Math.floor(exact) >= 0.8 ? Math.ceil(exact) : Math.floor(exact);
  };
  const [one, two, more] = fillShares.values;
  const many = fits(more);
  if (many >= 3) return many;
  return fits(two) >= 2 ? 2 : Math.min(1, fits(one));
}
