import type { OutsideGroup, OutsideValue } from '../../base/testing/outside.js';
import { chargeShareAt, dischargeShareAt } from '../battery/battery-limits.js';
import { peukertTimeH } from '../battery/peukert-time.js';
import { temperatureFactor } from '../battery/temperature-factor.js';
import { worstRuntime } from '../battery/worst-runtime.js';
import { coincidentDemandVA } from '../distributions/coincident-demand.js';
import { StepSum } from '../distributions/step-sum.js';
import { iticRideThroughS } from '../gap/itic-curve.js';
import { codeLetterKVAPerHp, type CodeLetter } from '../starts/code-letters.js';
import { fullLoadCurrentA } from '../starts/full-load-current.js';
import { apparentPowerVA } from '../supply/apparent-power.js';
import { type Leg, legsOf, systemFacts } from '../supply/legs.js';
import { worstNeutralVA } from '../supply/neutral-current.js';
import { phasorSumVA } from '../supply/phasor-sum.js';

const where = 'electric/testing/outside-electric.ts';

/** Cumulative binomial probabilities: at most 0, 1, 2 … of n pieces with probability p. */
const binomial = [
  [5, 0.2, [0.3277, 0.7373, 0.9421, 0.9933]],
  [10, 0.1, [0.3487, 0.7361, 0.9298, 0.9872, 0.9984]],
  [10, 0.3, [0.0282, 0.1493, 0.3828, 0.6496, 0.8497, 0.9527, 0.9894]],
  [10, 0.5, [0.001, 0.0107, 0.0547, 0.1719, 0.377, 0.623, 0.8281, 0.9453, 0.9893]],
  [15, 0.4, [0.0005, 0.0052, 0.0271, 0.0905, 0.2173, 0.4032, 0.6098, 0.7869, 0.905, 0.9662, 0.9907]],
  [20, 0.1, [0.1216, 0.3917, 0.6769, 0.867, 0.9568, 0.9887, 0.9976]],
  [20, 0.2, [0.0115, 0.0692, 0.2061, 0.4114, 0.6296, 0.8042, 0.9133, 0.9679, 0.99]],
] as const;

/** The smallest number that is not passed with a probability of 95 % and 99.9 %, read off the same tables. */
const quantiles = [
  [5, 0.2, 0.95, 3],
  [10, 0.1, 0.95, 3],
  [10, 0.1, 0.999, 5],
  [10, 0.3, 0.95, 5],
  [10, 0.5, 0.95, 8],
  [15, 0.4, 0.95, 9],
  [20, 0.1, 0.95, 4],
  [20, 0.2, 0.95, 7],
] as const;

const times = <T>(count: number, value: T): T[] => Array.from({ length: count }, () => value);
const flat = (watts: number): number[] => times(24, watts);
const hours = (energyWh: number, watts: number): number => worstRuntime(flat(watts), energyWh).runtimeH;

const letters: readonly (readonly [CodeLetter, number])[] = [
  ['A', 3.15], ['B', 3.55], ['C', 4], ['D', 4.5], ['E', 5], ['F', 5.6], ['G', 6.3], ['H', 7.1], ['J', 8], ['K', 9],
]; // prettier-ignore

/** Horsepower, volts, phases, amperes. */
const motors = [
  [1 / 6, 115, 1, 4.4], [1 / 4, 115, 1, 5.8], [7.5, 230, 1, 40], [10, 230, 1, 50],
  [1 / 3, 115, 1, 7.2], [1 / 2, 230, 1, 4.9], [3 / 4, 115, 1, 13.8], [1, 230, 1, 8], [1.5, 230, 1, 10], [2, 230, 1, 12],
  [3, 230, 1, 17], [5, 230, 1, 28], [1, 208, 1, 8.8], [1, 230, 3, 4.2], [2, 230, 3, 6.8], [5, 230, 3, 15.2], [5, 460, 3, 7.6],
] as const; // prettier-ignore

const neutralA = (system: 'split-120-240' | 'three-230-400', currents: readonly number[]): number => {
  const { legs, legVoltageV } = systemFacts[system];
  const returns = currents.map((amps, i) => ({ leg: legs[i] as Leg, powerVA: amps * legVoltageV }));
  return worstNeutralVA(system, returns, { least: 0, most: 0 }) / legVoltageV;
};

export const outsideElectric: readonly OutsideGroup[] = [
  {
    title: 'How many of several equal loads run at once: the chance that more than so many do',
    kind: 'example',
    source: 'binomial tables of a statistics handbook (recalled; four digits)',
    where,
    unit: 'probability',
    values: binomial.flatMap(([n, p, cumulative]) =>
      cumulative.map((atMost, k): OutsideValue => ({
        what: `more than ${k} of ${n} with ${p}`,
        expected: 1 - atMost,
        within: 6e-5,
        measure: () => StepSum.of(times(n, 1), times(n, p)).shareAbove(k),
      })),
    ),
  },
  {
    title: 'Demand of equal loads of 1 kVA that is not passed for a share of the time',
    kind: 'example',
    source: 'read off the same binomial tables',
    where,
    unit: 'kVA',
    values: quantiles.map(([n, p, share, expected]) => ({
      what: `${n} loads that run ${p} of the time, ${share}`,
      expected,
      within: 1e-6,
      measure: () => coincidentDemandVA(times(n, 1000), times(n, p), share) / 1000,
    })),
  },
  {
    title: 'Peukert',
    kind: 'example',
    source:
      'worked example of general encyclopedias: 100 Ah at 20 h, exponent 1.2, 10 A (recalled); and the law at its ends',
    where,
    unit: 'h',
    values: [
      { what: '10 A', expected: 8.7, within: 0.05, measure: () => peukertTimeH(100, 20, 1.2, 10) },
      { what: 'the rated current', expected: 20, within: 1e-9, measure: () => peukertTimeH(100, 20, 1.2, 5) },
      { what: 'exponent 1, 10 A', expected: 10, within: 1e-9, measure: () => peukertTimeH(100, 20, 1, 10) },
      {
        what: 'half the rated current',
        expected: 20 * 2 ** 1.2,
        within: 1e-9,
        measure: () => peukertTimeH(100, 20, 1.2, 2.5),
      },
    ],
  },
  {
    title: 'Runtime at constant load, before losses',
    kind: 'practice',
    source: 'common practice, no source',
    where,
    unit: 'h',
    values: [
      { what: '10 kWh at 5 kW', expected: 2, within: 1e-9, measure: () => hours(10_000, 5000) },
      { what: '10 kWh at 2 kW', expected: 5, within: 1e-9, measure: () => hours(10_000, 2000) },
      { what: '10 kWh at 1.5 kW', expected: 6.67, within: 0.01, measure: () => hours(10_000, 1500) },
      {
        what: '10 kWh, a refrigerator of 1 kWh a day',
        expected: 240,
        within: 1e-6,
        measure: () => hours(10_000, 1000 / 24),
      },
      {
        what: '10 kWh, a refrigerator of 2 kWh a day',
        expected: 120,
        within: 1e-6,
        measure: () => hours(10_000, 2000 / 24),
      },
    ],
  },
  {
    title: 'Capacity of lead-acid cells in the cold',
    kind: 'table',
    source: 'IEEE 485, temperature correction of cell size (recalled)',
    where,
    unit: 'share',
    values:
      ([
        [25, 1.52], [30, 1.43], [35, 1.35], [40, 1.3], [50, 1.19], [60, 1.11], [70, 1.04], [77, 1],
      ] as const) // prettier-ignore
        .map(([degreesF, factor]) => ({
          what: `${degreesF} °F`,
          expected: 1 / factor,
          within: 0.001,
          measure: () => temperatureFactor('lead-acid', ((degreesF - 32) * 5) / 9),
        })),
  },
  {
    title: 'Capacity of lithium in the cold and the heat',
    kind: 'practice',
    source: 'common practice, no source',
    where,
    unit: 'share',
    values:
      ([
        [-20, 0.7], [-10, 0.8], [0, 0.9], [10, 0.96], [20, 1], [50, 1], [60, 0.9],
      ] as const) // prettier-ignore
        .map(([celsius, expected]) => ({
          what: `${celsius} °C`,
          expected,
          within: 0.005,
          measure: () => temperatureFactor('lithium', celsius),
        })),
  },
  {
    title: 'Power a lithium battery takes and gives by temperature, over that at 25 °C',
    kind: 'practice',
    source: 'common practice, no source; none is charged below 0 °C, and it derates above 50 °C',
    where,
    unit: 'share',
    values: [
      ...(
        [
          [-1, 0],
          [0, 0.2],
          [10, 1],
          [25, 1],
          [50, 1],
          [60, 0],
        ] as const
      ).map(([celsius, expected]) => ({
        what: `charging at ${celsius} °C`,
        expected,
        within: 0.005,
        measure: () => chargeShareAt('lithium', celsius),
      })),
      ...(
        [
          [-20, 0],
          [-10, 0.5],
          [0, 1],
          [50, 1],
          [60, 0],
        ] as const
      ).map(([celsius, expected]) => ({
        what: `discharging at ${celsius} °C`,
        expected,
        within: 0.005,
        measure: () => dischargeShareAt('lithium', celsius),
      })),
    ],
  },
  {
    title: 'How long electronics ride through a sag',
    kind: 'table',
    source: 'ITI (CBEMA) curve, 2000 (recalled)',
    where,
    unit: 's',
    values: (
      [
        [0.85, 10],
        [0.75, 0.5],
        [0.5, 0.02],
        [0, 0.02],
      ] as const
    ).map(([share, expected]) => ({
      what: `${share * 100} % of the voltage`,
      expected,
      within: 1e-9,
      measure: () => iticRideThroughS(share),
    })),
  },
  {
    title: 'Charging power of vehicles by voltage and current',
    kind: 'example',
    source: 'usual ratings of chargers under SAE J1772 and IEC 61851 (recalled)',
    where,
    unit: 'kVA',
    values: (
      [
        ['240 V, 32 A', 240, 32, 'L1-L2', 7.68],
        ['240 V, 40 A', 240, 40, 'L1-L2', 9.6],
        ['240 V, 48 A', 240, 48, 'L1-L2', 11.52],
        ['120 V, 12 A', 120, 12, 'L1', 1.44],
        ['230 V, 16 A', 230, 16, 'L1', 3.68],
        ['230 V, 32 A', 230, 32, 'L1', 7.36],
        ['400 V, 16 A, three phases', 400, 16, 'L1-L2-L3', 11.09],
        ['400 V, 32 A, three phases', 400, 32, 'L1-L2-L3', 22.17],
      ] as const
    ).map(([what, volts, amps, legs, expected]) => ({
      what,
      expected,
      within: 0.005,
      measure: () => apparentPowerVA(volts, amps, legs) / 1000,
    })),
  },
  {
    title: 'Voltage between legs: √3 of the leg in a star, twice in split phase',
    kind: 'definition',
    source: 'ANSI C84.1, IEC 60038 nominal voltages (recalled)',
    where,
    unit: 'V',
    values: (
      [
        ['split-120-240', 240, 0.01],
        ['two-legs-120-208', 120 * Math.sqrt(3), 0.5],
        ['three-230-400', 230 * Math.sqrt(3), 2],
      ] as const
    ).map(([system, expected, within]) => ({
      what: system,
      expected,
      within,
      measure: () => systemFacts[system].lineVoltageV,
    })),
  },
  {
    title: 'Apparent power of loads together',
    kind: 'definition',
    source: 'active and reactive parts added by hand',
    where,
    unit: 'kVA',
    values:
      ([
        ['3 kW and 4 kvar', [[3, 1], [4, 0]], 5],
        ['5 kVA at 0.8 and 5 kVA at 0.6', [[5, 0.8], [5, 0.6]], Math.hypot(7, 7)],
        ['twice 5 kVA at 0.8', [[5, 0.8], [5, 0.8]], 10],
        ['10 kVA at 0.6 and 2 kVA at 1', [[10, 0.6], [2, 1]], Math.hypot(8, 8)],
      ] as const) // prettier-ignore
        .map(([what, loads, expected]) => ({
          what,
          expected,
          within: 1e-9,
          measure: () => phasorSumVA(loads.map(([powerVA, powerFactor]) => ({ powerVA, powerFactor }))),
        })),
  },
  {
    title: 'Neutral at its worst where all power factors are alike: each leg may be off',
    kind: 'definition',
    source: 'sums of phasors by hand',
    where,
    unit: 'A',
    values: (
      [
        ['split-120-240', [30, 20], 30],
        ['split-120-240', [15, 15], 15],
        ['three-230-400', [16, 16, 16], 16],
        ['three-230-400', [20, 10, 5], 20],
      ] as const
    ).map(([system, currents, expected]) => ({
      what: `${system}, ${currents.join(', ')} A`,
      expected,
      within: 0.02,
      measure: () => neutralA(system, currents),
    })),
  },
  {
    title: 'Legs of a set',
    kind: 'definition',
    source: 'by its name',
    where,
    unit: 'count',
    values: [{ what: 'L1-L2-L3', expected: 3, within: 0, measure: () => legsOf('L1-L2-L3').length }],
  },
  {
    title: 'Locked-rotor kilovolt-amperes for a horsepower',
    kind: 'table',
    source: 'NEC 2023 Table 430.7(B), upper ends (recalled)',
    where,
    unit: 'kVA/hp',
    values: letters.map(([letter, expected]) => ({
      what: `code letter ${letter}`,
      expected,
      within: 0.011,
      measure: () => codeLetterKVAPerHp[letter],
    })),
  },
  {
    title: 'Full-load currents of motors',
    kind: 'table',
    source: 'NEC 2023 Tables 430.248 and 430.250 (recalled)',
    where,
    unit: 'A',
    values: motors.map(([horsepower, volts, phases, expected]) => ({
      what: `${Number(horsepower.toFixed(2))} hp, ${volts} V, ${phases === 1 ? 'single' : 'three'} phase`,
      expected,
      within: 1e-9,
      measure: () => fullLoadCurrentA(horsepower, volts, phases),
    })),
  },
];
