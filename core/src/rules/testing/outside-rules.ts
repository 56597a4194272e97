import type { OutsideGroup, OutsideValue } from '../../base/testing/outside.js';
import type { AmericanSize, MetricSize } from '../../electric/index.js';
import { ampacityA } from '../conductors/ampacity.js';
import { largestBreakerA } from '../conductors/largest-breaker.js';
import { standardBreakerA } from '../conductors/standard-breaker.js';
import { wholeDwellingRatingA } from '../conductors/whole-dwelling-rating.js';
import { dwelling } from './dwelling.js';
import { existingDwelling } from '../nec/nec-220-83.js';
import { existingLoadW } from '../nec/nec-220-87.js';
import { optionalDwelling } from '../nec/nec-220-82.js';
import { standardDwelling } from '../nec/nec-220-standard.js';

const where = 'rules/testing/outside-rules.ts';

const d1a = () => standardDwelling(dwelling({ rangeVA: [12_000], dryerVA: [5500] }));
const d2a = () =>
  optionalDwelling(
    dwelling({
      rangeVA: [12_000],
      fastenedVA: [2500, 1200],
      dryerVA: [5000],
      spaceHeatingVA: 9000,
      spaceHeatingUnits: 5,
      coolingVA: 6 * 230,
    }),
  );
const d2b = () =>
  optionalDwelling(
    dwelling({
      rangeVA: [4000, 4000, 5100],
      fastenedVA: [4500, 1200],
      dryerVA: [5000],
      coolingVA: 6 * 7 * 240,
      spaceHeatingVA: 1500,
      spaceHeatingUnits: 1,
    }),
  );
const d2c = () =>
  optionalDwelling(
    dwelling({
      floorAreaFt2: 2000,
      rangeVA: [12_000],
      fastenedVA: [4500, 1200],
      dryerVA: [5000],
      heatPumpVA: 24 * 240,
      backupHeatVA: 15_000,
    }),
  );
const small = (floorAreaFt2: number) =>
  standardDwelling(dwelling({ floorAreaFt2, smallApplianceCircuits: 2 })).generalDemandVA;
const existing = dwelling({
  rangeVA: [12_000],
  fastenedVA: [2500, 1200],
  dryerVA: [5000],
  coolingVA: 6 * 230,
});

const value = (what: string, expected: number, within: number, measure: () => number): OutsideValue => ({
  what,
  expected,
  within,
  measure,
});

const copper75: readonly (readonly [AmericanSize, number])[] = [
  ['14 AWG', 20], ['12 AWG', 25], ['10 AWG', 35], ['8 AWG', 50], ['6 AWG', 65], ['4 AWG', 85],
  ['2 AWG', 115], ['1/0 AWG', 150], ['2/0 AWG', 175], ['4/0 AWG', 230],
]; // prettier-ignore
const copper60: readonly (readonly [AmericanSize, number])[] = [
  ['14 AWG', 15], ['12 AWG', 20], ['10 AWG', 30], ['8 AWG', 40], ['6 AWG', 55],
]; // prettier-ignore
const aluminium75: readonly (readonly [AmericanSize, number])[] = [
  ['8 AWG', 40], ['6 AWG', 50], ['4 AWG', 65], ['2 AWG', 90], ['2/0 AWG', 135], ['4/0 AWG', 180],
]; // prettier-ignore
/** Two and three loaded conductors. */
const metric: readonly (readonly [MetricSize, number, number])[] = [
  ['1.5 mm²', 19.5, 17.5], ['2.5 mm²', 27, 24], ['4 mm²', 36, 32], ['6 mm²', 46, 41], ['10 mm²', 63, 57],
]; // prettier-ignore
const services: readonly (readonly ['copper' | 'aluminium', AmericanSize, number])[] = [
  ['copper', '4 AWG', 100], ['copper', '2 AWG', 125], ['copper', '1 AWG', 150], ['copper', '1/0 AWG', 175],
  ['copper', '2/0 AWG', 200], ['aluminium', '2 AWG', 100], ['aluminium', '1/0 AWG', 125], ['aluminium', '2/0 AWG', 150],
  ['aluminium', '3/0 AWG', 175], ['aluminium', '4/0 AWG', 200],
]; // prettier-ignore

export const outsideRules: readonly OutsideGroup[] = [
  {
    title: 'Standard calculation of a dwelling',
    kind: 'example',
    source: 'NEC Informative Annex D, Example D1(a); 220.42 to 220.61 (recalled)',
    where,
    unit: 'VA',
    values: [
      value('D1(a): general lighting after demand', 5100, 1e-6, () => d1a().generalDemandVA),
      value('D1(a): range', 8000, 1e-6, () => d1a().rangeDemandVA),
      value('D1(a): dryer', 5500, 1e-6, () => d1a().dryerDemandVA),
      value('D1(a): net', 18_600, 1e-6, () => d1a().totalVA),
      value('D1(a): amperes at 240 V', 77.5, 0.01, () => d1a().totalVA / 240),
      value('general lighting of 2,000 ft²: 3,000 and 35 % of 7,500', 5625, 1e-6, () => small(2000)),
      value('general lighting of 3,000 ft²: 3,000 and 35 % of 10,500', 6675, 1e-6, () => small(3000)),
      value(
        'four fastened appliances of 1 kVA at 75 %',
        3000,
        1e-6,
        () => standardDwelling(dwelling({ fastenedVA: [1000, 1000, 1000, 1000] })).fastenedDemandVA,
      ),
      value(
        'a dryer of 4.2 kVA counts 5,000',
        5000,
        1e-6,
        () => standardDwelling(dwelling({ dryerVA: [4200] })).dryerDemandVA,
      ),
      value(
        'a range of 14 kW: 8 kW and 10 %',
        8800,
        1e-6,
        () => standardDwelling(dwelling({ rangeVA: [14_000] })).rangeDemandVA,
      ),
      value(
        'a car charger of 3.6 kVA counts 7,200',
        7200,
        1e-6,
        () => standardDwelling(dwelling({ vehicleVA: [3600] })).vehicleVA,
      ),
      value(
        'heating of 9 kVA beside cooling of 4 kVA',
        9000,
        1e-6,
        () => standardDwelling(dwelling({ coolingVA: 4000, spaceHeatingVA: 9000 })).heatingCoolingVA,
      ),
      value(
        'two ovens of 4 kW and a cooktop of 5.1 kW: 55 % of 13.1 kW',
        7205,
        1e-6,
        () => standardDwelling(dwelling({ rangeVA: [4000, 4000, 5100] })).rangeDemandVA,
      ),
    ],
  },
  {
    title: 'Optional calculation of a dwelling',
    kind: 'example',
    source: 'NEC Informative Annex D, Examples D2(a), D2(b), D2(c) (recalled)',
    where,
    unit: 'VA',
    values: [
      value('D2(a): general load', 29_700, 1e-6, () => d2a().generalVA),
      value('D2(a): after demand', 17_880, 1e-6, () => d2a().generalDemandVA),
      value('D2(a): five heaters at 40 %', 3600, 1e-6, () => d2a().heatingCoolingVA),
      value('D2(a): total', 21_480, 1e-6, () => d2a().totalVA),
      value('D2(a): amperes at 240 V', 90, 0.5, () => d2a().totalVA / 240),
      value('D2(b): general load', 32_800, 1e-6, () => d2b().generalVA),
      value('D2(b): after demand', 19_120, 1e-6, () => d2b().generalDemandVA),
      value('D2(b): room units', 10_080, 1e-6, () => d2b().heatingCoolingVA),
      value('D2(b): total', 29_200, 1e-6, () => d2b().totalVA),
      value('D2(b): amperes at 240 V', 122, 0.5, () => d2b().totalVA / 240),
      value('D2(c): after demand', 19_280, 1e-6, () => d2c().generalDemandVA),
      value('D2(c): heat pump and 65 % of its backup heat', 15_510, 1e-6, () => d2c().heatingCoolingVA),
      value('D2(c): total', 34_800, 15, () => d2c().totalVA),
      value('D2(c): amperes at 240 V', 145, 0.5, () => d2c().totalVA / 240),
    ],
  },
  {
    title: 'An existing dwelling',
    kind: 'example',
    source: 'NEC 220.83 and 220.87 (recalled), worked by hand',
    where,
    unit: 'VA',
    values: [
      value(
        '8 kVA and 40 % of 23,080',
        17_232,
        1e-6,
        () => existingDwelling(existing, { addsHeatingOrCooling: false }).totalVA,
      ),
      value(
        'with a heat pump of 24 A added',
        22_440,
        1e-6,
        () => existingDwelling({ ...existing, heatPumpVA: 5760 }, { addsHeatingOrCooling: true }).totalVA,
      ),
      value('125 % of the highest demand of 9.6 kW', 12_000, 1e-6, () => existingLoadW(9600)),
    ],
  },
  {
    title: 'Ampacity of copper at 75 °C',
    kind: 'table',
    source: 'NEC 2023 Table 310.16 (recalled)',
    where,
    unit: 'A',
    values: copper75.map(([size, expected]) =>
      value(size, expected, 0, () => ampacityA({ size, material: 'copper' }, { columnC: 75, loaded: 2 })!),
    ),
  },
  {
    title: 'Ampacity of copper at 60 °C',
    kind: 'table',
    source: 'NEC 2023 Table 310.16 (recalled)',
    where,
    unit: 'A',
    values: copper60.map(([size, expected]) =>
      value(size, expected, 0, () => ampacityA({ size, material: 'copper' }, { columnC: 60, loaded: 2 })!),
    ),
  },
  {
    title: 'Ampacity of aluminium at 75 °C',
    kind: 'table',
    source: 'NEC 2023 Table 310.16 (recalled)',
    where,
    unit: 'A',
    values: aluminium75.map(([size, expected]) =>
      value(size, expected, 0, () => ampacityA({ size, material: 'aluminium' }, { columnC: 75, loaded: 2 })!),
    ),
  },
  {
    title: 'Current-carrying capacity of copper in PVC, method C',
    kind: 'table',
    source: 'IEC 60364-5-52 Tables B.52.2 and B.52.4 (recalled)',
    where,
    unit: 'A',
    values: metric.flatMap(([size, two, three]) => [
      value(`${size}, two loaded`, two, 0, () =>
        ampacityA({ size, material: 'copper' }, { columnC: 75, loaded: 2 })!,
      ),
      value(`${size}, three loaded`, three, 0, () =>
        ampacityA({ size, material: 'copper' }, { columnC: 75, loaded: 3 })!,
      ),
    ]),
  },
  {
    title: 'Service that a conductor carries for a whole dwelling',
    kind: 'table',
    source: 'NEC 2023 Table 310.12 (recalled)',
    where,
    unit: 'A',
    values: services.map(([material, size, expected]) =>
      value(`${size} ${material}`, expected, 0, () => wholeDwellingRatingA({ size, material })!),
    ),
  },
  {
    title: 'Largest breaker of small conductors',
    kind: 'table',
    source: 'NEC 2023 240.4(D) (recalled)',
    where,
    unit: 'A',
    values: (
      [
        ['14 AWG', 'copper', 15],
        ['12 AWG', 'copper', 20],
        ['10 AWG', 'copper', 30],
        ['12 AWG', 'aluminium', 15],
        ['10 AWG', 'aluminium', 25],
      ] as const
    ).map(([size, material, expected]) =>
      value(`${size} ${material}`, expected, 0, () =>
        largestBreakerA({ size, material }, { columnC: 75, loaded: 2 })!,
      ),
    ),
  },
  {
    title: 'Next standard rating',
    kind: 'table',
    source: 'NEC 2023 240.6(A) (recalled)',
    where,
    unit: 'A',
    values: (
      [
        [9, 10],
        [16, 20],
        [31, 35],
        [55, 60],
        [85, 90],
        [102, 110],
        [130, 150],
        [180, 200],
      ] as const
    ).map(([current, expected]) => value(`${current} A`, expected, 0, () => standardBreakerA(current))),
  },
];
