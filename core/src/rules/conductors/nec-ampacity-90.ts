import type { PublishedTable } from '../../base/index.js';
import type { AmericanSize } from '../../electric/index.js';

/** [copper, aluminium] at 90 °C: where corrections for heat and bundling begin with such insulation, 110.14(C). */
export const necAmpacity90A: PublishedTable<
  Readonly<Record<AmericanSize, readonly [number, number | null]>>
> = {
  title: 'Ampacity of insulated conductors in raceway, cable or earth, 90 °C',
  clause: 'Table 310.16',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '14 AWG': [25, null],
    '12 AWG': [30, 25],
    '10 AWG': [40, 35],
    '8 AWG': [55, 45],
    '6 AWG': [75, 55],
    '4 AWG': [95, 75],
    '3 AWG': [115, 85],
    '2 AWG': [130, 100],
    '1 AWG': [145, 115],
    '1/0 AWG': [170, 135],
    '2/0 AWG': [195, 150],
    '3/0 AWG': [225, 175],
    '4/0 AWG': [260, 205],
    '250 kcmil': [290, 230],
    '300 kcmil': [320, 260],
    '350 kcmil': [350, 280],
    '400 kcmil': [380, 305],
    '500 kcmil': [430, 350],
  },
};
