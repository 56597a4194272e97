import type { PublishedTable } from '../../base/index.js';
import type { MetricSize } from '../../electric/index.js';

/** [copper, aluminium]; PVC, method C, 30 °C ambient. */
type Column = Readonly<Record<MetricSize, readonly [number, number | null]>>;

/** Two loaded conductors: single phase. */
export const iecAmpacityTwoA: PublishedTable<Column> = {
  title: 'Current-carrying capacity, PVC, two loaded conductors, method C',
  clause: 'Table B.52.2',
  edition: 'IEC 60364-5-52:2009',
  source: 'recalled',
  values: {
    '1.5 mm²': [19.5, null],
    '2.5 mm²': [27, 21],
    '4 mm²': [36, 28],
    '6 mm²': [46, 36],
    '10 mm²': [63, 49],
    '16 mm²': [85, 66],
    '25 mm²': [112, 83],
    '35 mm²': [138, 103],
    '50 mm²': [168, 125],
    '70 mm²': [213, 160],
    '95 mm²': [258, 195],
    '120 mm²': [299, 226],
  },
};

/** Three loaded conductors: three phases. */
export const iecAmpacityThreeA: PublishedTable<Column> = {
  title: 'Current-carrying capacity, PVC, three loaded conductors, method C',
  clause: 'Table B.52.4',
  edition: 'IEC 60364-5-52:2009',
  source: 'recalled',
  values: {
    '1.5 mm²': [17.5, null],
    '2.5 mm²': [24, 18.5],
    '4 mm²': [32, 25],
    '6 mm²': [41, 32],
    '10 mm²': [57, 44],
    '16 mm²': [76, 59],
    '25 mm²': [96, 73],
    '35 mm²': [119, 90],
    '50 mm²': [144, 110],
    '70 mm²': [184, 140],
    '95 mm²': [223, 170],
    '120 mm²': [259, 197],
  },
};
