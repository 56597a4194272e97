import type { PublishedTable } from '../../base/index.js';
import { type AmericanSize, type Conductor, isMetricSize, type MetricSize } from '../../electric/index.js';

/** Direct current, 75 °C, Ω for 1,000 ft: [uncoated stranded copper, aluminium]. */
export const dcResistance: PublishedTable<Readonly<Record<AmericanSize, readonly [number, number]>>> = {
  title: 'Conductor properties, direct-current resistance at 75 °C',
  clause: 'Chapter 9, Table 8',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    '14 AWG': [3.14, 5.17],
    '12 AWG': [1.98, 3.25],
    '10 AWG': [1.24, 2.04],
    '8 AWG': [0.778, 1.28],
    '6 AWG': [0.491, 0.808],
    '4 AWG': [0.308, 0.508],
    '3 AWG': [0.245, 0.403],
    '2 AWG': [0.194, 0.319],
    '1 AWG': [0.154, 0.253],
    '1/0 AWG': [0.122, 0.201],
    '2/0 AWG': [0.0967, 0.159],
    '3/0 AWG': [0.0766, 0.126],
    '4/0 AWG': [0.0608, 0.1],
    '250 kcmil': [0.0515, 0.0847],
    '300 kcmil': [0.0429, 0.0707],
    '350 kcmil': [0.0367, 0.0605],
    '400 kcmil': [0.0321, 0.0529],
    '500 kcmil': [0.0258, 0.0424],
  },
};

/** Copper at 20 °C, Ω/km, class 1 and 2. */
export const metricResistance: PublishedTable<Readonly<Record<MetricSize, number>>> = {
  title: 'Maximum resistance of conductors at 20 °C, plain copper, class 2',
  clause: 'Table 2',
  edition: 'IEC 60228:2004',
  source: 'recalled',
  values: {
    '1.5 mm²': 12.1,
    '2.5 mm²': 7.41,
    '4 mm²': 4.61,
    '6 mm²': 3.08,
    '10 mm²': 1.83,
    '16 mm²': 1.15,
    '25 mm²': 0.727,
    '35 mm²': 0.524,
    '50 mm²': 0.387,
    '70 mm²': 0.268,
    '95 mm²': 0.193,
    '120 mm²': 0.153,
  },
};

const metresIn1000Ft = 304.8;
/** Copper at 70 °C against 20 °C: 1 + 0.004 × 50; aluminium has 1.64 times its resistance (recalled). */
const warm = 1.2;
const aluminiumTimes = 1.64;

/** Resistance of a warm conductor, Ω for each metre, one way: at 75 °C for American sizes, at 70 °C for metric ones. */
export function resistanceOhmPerM({ size, material }: Pick<Conductor, 'size' | 'material'>): number {
  if (isMetricSize(size))
    return (metricResistance.values[size] * warm * (material === 'copper' ? 1 : aluminiumTimes)) / 1000;
  return dcResistance.values[size][material === 'copper' ? 0 : 1] / metresIn1000Ft;
}
