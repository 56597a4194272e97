import type { OutsideGroup, OutsideValue } from '../../base/testing/outside.js';
import type { AmericanSize, MetricSize } from '../../electric/index.js';
import { busbarWays } from '../busbar/busbar-705-12.js';
import { deviceForA } from '../conductors/device-for.js';
import { ampacityAsLaidA } from '../conductors/size-conductor.js';
import { judgeTap } from '../conductors/tap-rule.js';
import { arrayDesignA, coldVoltageV } from '../dc/array-string.js';
import {
  batteryCurrentA,
  chargeControllers,
  lowestVoltageV,
  parallelCurrentsA,
  stringFuseA,
} from '../dc/battery-circuit.js';
import { voltageDropShare } from '../drop/voltage-drop.js';
import { largestLoopOhm, largestRcdLoopOhm } from '../fault/disconnection.js';
import { faultAfterRunA, transformerFaultA } from '../fault/fault-current.js';
import { mostEqual, type TradeSize } from '../raceways/conduit-fill.js';
import { fedBusbar } from './fed-busbar.js';

const where = 'rules/testing/outside-wiring.ts';
const value = (what: string, expected: number, within: number, measure: () => number): OutsideValue => ({
  what,
  expected,
  within,
  measure,
});

const bus = (busA: number, mainA: number): number => busbarWays(fedBusbar(busA, mainA))[1]!.roomA! * 1.25;
const laid = { terminalC: 75, insulationC: 90, together: 3, ambientC: 30, loaded: 2 } as const;
const mVperAm = (size: MetricSize): number =>
  1000 * voltageDropShare({ size, material: 'copper' }, { lengthM: 1, currentA: 1, voltageV: 1, phases: 1 });

/** Annex C: equal conductors of type THHN in thin-walled steel tubing. */
const annexC: readonly (readonly [AmericanSize, TradeSize, number])[] = [
  ['14 AWG', '½', 12], ['12 AWG', '½', 9], ['10 AWG', '½', 5], ['8 AWG', '½', 3],
  ['14 AWG', '¾', 22], ['12 AWG', '¾', 16], ['10 AWG', '¾', 10], ['8 AWG', '¾', 6], ['6 AWG', '¾', 4],
  ['12 AWG', '1', 26], ['10 AWG', '1', 16], ['8 AWG', '1', 9], ['6 AWG', '1', 7], ['4 AWG', '1', 4],
  ['2 AWG', '1¼', 5], ['1/0 AWG', '1½', 4], ['4/0 AWG', '2', 4],
]; // prettier-ignore

/** Values of wiring that were worked out elsewhere, or by hand. */
export const outsideWiring: readonly OutsideGroup[] = [
  {
    title: 'Breaker that a busbar leaves room for, sources at the far end',
    kind: 'practice',
    source: 'NEC 2023 705.12(B)(2), worked examples of the trade (no source)',
    where,
    unit: 'A',
    values: [
      value('200 A bus, 200 A main', 40, 1e-9, () => bus(200, 200)),
      value('225 A bus, 200 A main', 70, 1e-9, () => bus(225, 200)),
      value('200 A bus, 175 A main', 65, 1e-9, () => bus(200, 175)),
      value('125 A bus, 100 A main', 50, 1e-9, () => bus(125, 100)),
      value('100 A bus, 100 A main', 20, 1e-9, () => bus(100, 100)),
    ],
  },
  {
    title: 'Device of a source',
    kind: 'practice',
    source: 'worked examples of the trade (no source)',
    where,
    unit: 'A',
    values: [
      value('32 A of output', 40, 0, () => deviceForA({ continuousA: 32, otherA: 0 }, true)),
      value('three of them combined', 125, 0, () => deviceForA({ continuousA: 96, otherA: 0 }, true)),
      value('52 A of output', 70, 0, () => deviceForA({ continuousA: 52, otherA: 0 }, true)),
      value('24 A of output', 30, 0, () => deviceForA({ continuousA: 24, otherA: 0 }, true)),
      value('16 A of output', 20, 0, () => deviceForA({ continuousA: 16, otherA: 0 }, true)),
    ],
  },
  {
    title: 'Equal conductors in thin-walled steel tubing',
    kind: 'example',
    source: 'NEC 2023 Informative Annex C, Table C.1 (recalled); worked out here from areas',
    where,
    unit: 'conductors',
    values: annexC.map(([size, conduit, count]) =>
      value(`${size} in ${conduit} in`, count, 0, () => mostEqual(size, conduit)),
    ),
  },
  {
    title: 'Ampacity where heat and company lower it',
    kind: 'definition',
    source: 'NEC 2023 310.15(B) and (C), by hand from the tables (recalled)',
    where,
    unit: 'A',
    values: [
      value('six 10 AWG at 45 °C: 40 · 0.87 · 0.8', 27.84, 1e-9, () =>
        ampacityAsLaidA({ size: '10 AWG', material: 'copper' }, { ...laid, ambientC: 45, together: 6 })!,
      ),
      value('nine 12 AWG at 30 °C: 30 · 0.7', 21, 1e-9, () =>
        ampacityAsLaidA({ size: '12 AWG', material: 'copper' }, { ...laid, together: 9 })!,
      ),
      value('3/0 AWG at 50 °C: 225 · 0.82', 184.5, 1e-9, () =>
        ampacityAsLaidA({ size: '3/0 AWG', material: 'copper' }, { ...laid, ambientC: 50 })!,
      ),
      value('8 AWG on terminals for 60 °C', 40, 0, () =>
        ampacityAsLaidA({ size: '8 AWG', material: 'copper' }, { ...laid, terminalC: 60 })!,
      ),
      value('two circuits of 6 mm² at 40 °C: 46 · 0.87 · 0.85', 34.017, 1e-9, () =>
        ampacityAsLaidA({ size: '6 mm²', material: 'copper' }, { ...laid, ambientC: 40, together: 2 })!,
      ),
    ],
  },
  {
    title: 'Volts lost',
    kind: 'example',
    source: 'BS 7671:2018, Table 4D5 (recalled), mV/A/m; worked out here from IEC 60228',
    where,
    unit: 'mV/A/m',
    values: [
      value('2.5 mm²', 18, 0.3, () => mVperAm('2.5 mm²')),
      value('4 mm²', 11, 0.2, () => mVperAm('4 mm²')),
      value('6 mm²', 7.3, 0.2, () => mVperAm('6 mm²')),
      value('10 mm²', 4.4, 0.1, () => mVperAm('10 mm²')),
      value('16 mm²', 2.8, 0.1, () => mVperAm('16 mm²')),
    ],
  },
  {
    title: 'Volts lost along 30 m of 6 AWG at 40 A',
    kind: 'definition',
    source: '2 · 98.43 ft · 0.491 Ω/kft · 40 A, by hand',
    where,
    unit: 'V',
    values: [
      value(
        'at 240 V',
        3.866,
        1e-3,
        () =>
          240 *
          voltageDropShare(
            { size: '6 AWG', material: 'copper' },
            { lengthM: 30, currentA: 40, voltageV: 240, phases: 1 },
          ),
      ),
    ],
  },
  {
    title: 'Fault current',
    kind: 'definition',
    source: 'I = kVA · 1000 / (V · Z); point-to-point method, by hand',
    where,
    unit: 'A',
    values: [
      value('50 kVA, 240 V, 2 %', 10_416.7, 0.1, () =>
        transformerFaultA({ kVA: 50, voltageV: 240, impedanceShare: 0.02, phases: 1 }),
      ),
      value('with its tolerance', 11_574.1, 0.1, () =>
        transformerFaultA({ kVA: 50, voltageV: 240, impedanceShare: 0.02, phases: 1 }, 0.1),
      ),
      value('37.5 kVA, 240 V, 2 %', 7812.5, 0.1, () =>
        transformerFaultA({ kVA: 37.5, voltageV: 240, impedanceShare: 0.02, phases: 1 }),
      ),
      value('250 kVA, 400 V, 4 %, three phases', 9021, 1, () =>
        transformerFaultA({ kVA: 250, voltageV: 400, impedanceShare: 0.04, phases: 3 }),
      ),
      value('10,417 A after 30 m of 4/0 copper', 6650, 5, () =>
        faultAfterRunA(
          10_417,
          { size: '4/0 AWG', material: 'copper' },
          { lengthM: 30, voltageV: 240, phases: 1 },
        ),
      ),
    ],
  },
  {
    title: 'Loop impedance up to which a breaker opens at once',
    kind: 'example',
    source: 'BS 7671:2018, Table 41.3 (recalled)',
    where,
    unit: 'Ω',
    values: [
      value('B6', 7.28, 0.005, () => largestLoopOhm('B', 6).ohm),
      value('B16', 2.73, 0.005, () => largestLoopOhm('B', 16).ohm),
      value('B20', 2.19, 0.005, () => largestLoopOhm('B', 20).ohm),
      value('B32', 1.37, 0.005, () => largestLoopOhm('B', 32).ohm),
      value('B40', 1.09, 0.005, () => largestLoopOhm('B', 40).ohm),
      value('C16', 1.37, 0.005, () => largestLoopOhm('C', 16).ohm),
      value('C32', 0.68, 0.005, () => largestLoopOhm('C', 32).ohm),
      value('B32, measured cold', 1.09, 0.005, () => largestLoopOhm('B', 32).measuredOhm),
      value('RCD of 30 mA', 1667, 1, () => largestRcdLoopOhm(0.03)),
      value('RCD of 300 mA', 167, 1, () => largestRcdLoopOhm(0.3)),
    ],
  },
  {
    title: 'Battery circuits',
    kind: 'definition',
    source: 'P ÷ (efficiency × lowest voltage), 125 %, by hand',
    where,
    unit: 'A',
    values: [
      value('9 kW, 16 cells at 2.8 V, 93 %', 216, 0.05, () =>
        batteryCurrentA({ powerW: 9000, efficiency: 0.93, voltageV: lowestVoltageV(51.2, 'lithium') }),
      ),
      value('over two strings', 108, 0.05, () =>
        batteryCurrentA({ powerW: 9000, efficiency: 0.93, voltageV: 44.8 }, 2),
      ),
      value('its fuse', 150, 0, () => stringFuseA(108)!),
      value('the fuse of 160 A', 200, 0, () => stringFuseA(160)!),
      value(
        '216 A over 10.5 and 11 mΩ: the first',
        110.5,
        0.02,
        () => parallelCurrentsA(216, [0.0105, 0.011])[0]!,
      ),
      value('an array of 10 A short-circuit: 10 · 1.25 · 1.25', 15.625, 1e-9, () => arrayDesignA(10)),
    ],
  },
  {
    title: 'Charge controllers of 60 A for 13.5 kW',
    kind: 'practice',
    source: 'a trade installation (no source)',
    where,
    unit: 'pieces',
    values: [
      value('at 54 V', 5, 0, () => chargeControllers(13_500, 60, 54).count),
      value('at 58 V', 4, 0, () => chargeControllers(13_500, 60, 58).count),
    ],
  },
  {
    title: 'Strings in the cold',
    kind: 'definition',
    source: 'NEC 2023 690.7(A), by hand (factors recalled)',
    where,
    unit: 'V',
    values: [
      value('ten modules of 49 V at −10 °C: 490 · 1.14', 558.6, 1e-6, () => coldVoltageV(10, 49, -10, null)),
      value('at −20 °C: 490 · 1.18', 578.2, 1e-6, () => coldVoltageV(10, 49, -20, null)),
      value('at −40 °C: 490 · 1.25', 612.5, 1e-6, () => coldVoltageV(10, 49, -40, null)),
      value('at −20 °C by −0.27 %/°C', 549.535, 1e-6, () => coldVoltageV(10, 49, -20, -0.0027)),
    ],
  },
  {
    title: 'What a tap must carry',
    kind: 'definition',
    source: 'NEC 2023 240.21(B), 705.12(A)(3), by hand (recalled)',
    where,
    unit: 'A',
    values: [
      value(
        '2 m behind 400 A, ending in 30 A: a tenth',
        40,
        1e-9,
        () => judgeTap({ carriesA: 65, lengthM: 2, aheadA: 400, endsInA: 30 }).leastA,
      ),
      value(
        '6 m behind 300 A: a third',
        100,
        1e-9,
        () => judgeTap({ carriesA: 65, lengthM: 6, aheadA: 300, endsInA: 60 }).leastA,
      ),
      value(
        'with 60 A of sources on a feeder of 150 A',
        70,
        1e-9,
        () => judgeTap({ carriesA: 65, lengthM: 2, aheadA: 150, endsInA: 60, sourcesA: 60 }).leastA,
      ),
    ],
  },
];
