import type { PublishedTable } from '../../base/index.js';
import type { AmericanSize } from '../../electric/index.js';

/** Temperature of a column, °C: that of the weakest of insulation, cable and terminals. */
export type ColumnC = 60 | 75;

/** [copper 60 °C, copper 75 °C, aluminium 60 °C, aluminium 75 °C]; not more than three conductors, 30 °C ambient. */
export const necAmpacityA: PublishedTable<
  Readonly<Record<AmericanSize, readonly [number, number, number | null, number | null]>>
> = {
  title: 'Ampacity of insulated conductors in raceway, cable or earth',
  clause: 'Table 310.16',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '14 AWG': [15, 20, null, null],
    '12 AWG': [20, 25, 15, 20],
    '10 AWG': [30, 35, 25, 30],
    '8 AWG': [40, 50, 35, 40],
    '6 AWG': [55, 65, 40, 50],
    '4 AWG': [70, 85, 55, 65],
    '3 AWG': [85, 100, 65, 75],
    '2 AWG': [95, 115, 75, 90],
    '1 AWG': [110, 130, 85, 100],
    '1/0 AWG': [125, 150, 100, 120],
    '2/0 AWG': [145, 175, 115, 135],
    '3/0 AWG': [165, 200, 130, 155],
    '4/0 AWG': [195, 230, 150, 180],
    '250 kcmil': [215, 255, 170, 205],
    '300 kcmil': [240, 285, 195, 230],
    '350 kcmil': [260, 310, 210, 250],
    '400 kcmil': [280, 335, 225, 270],
    '500 kcmil': [320, 380, 260, 310],
  },
};
