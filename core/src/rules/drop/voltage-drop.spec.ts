import { describe, expect, it } from 'vitest';
import { conductorSizes, isMetricSize } from '../../electric/index.js';
import { resistanceOhmPerM } from './resistance.js';
import { voltageDropShare } from './voltage-drop.js';

describe('voltage drop', () => {
  it('30 m of 6 AWG copper with 40 A at 240 V, by hand: 2 · 98.4 ft · 0.491 Ω/kft · 40 A = 3.87 V', () => {
    const share = voltageDropShare(
      { size: '6 AWG', material: 'copper' },
      { lengthM: 30, currentA: 40, voltageV: 240, phases: 1 },
    );
    expect(share * 240).toBeCloseTo((2 * (30 / 0.3048) * 0.491 * 40) / 1000, 6);
    expect(share).toBeCloseTo(0.0161, 4);
  });

  // BS 7671:2018, table 4D5, recalled: millivolts for each ampere and metre, flat twin cable, single phase.
  it.each([
    ['2.5 mm²', 18],
    ['4 mm²', 11],
    ['6 mm²', 7.3],
    ['10 mm²', 4.4],
    ['16 mm²', 2.8],
  ] as const)('%s copper: %f mV/A/m', (size, mV) => {
    const drop = voltageDropShare(
      { size, material: 'copper' },
      { lengthM: 1, currentA: 1, voltageV: 1, phases: 1 },
    );
    expect(Math.abs(drop * 1000 - mV) / mV).toBeLessThan(0.03);
  });

  it('falls with size, and aluminium loses more than copper', () => {
    for (const metric of [false, true]) {
      const ohms = conductorSizes
        .filter((size) => isMetricSize(size) === metric)
        .map((size) => resistanceOhmPerM({ size, material: 'copper' }));
      expect(ohms).toEqual(ohms.toSorted((a, b) => b - a));
    }
    for (const size of conductorSizes)
      expect(resistanceOhmPerM({ size, material: 'aluminium' })).toBeGreaterThan(
        1.5 * resistanceOhmPerM({ size, material: 'copper' }),
      );
  });

  it('three phases lose √3 in place of 2, parallel conductors half', () => {
    const at = (phases: 1 | 3, parallel = 1): number =>
      voltageDropShare(
        { size: '10 mm²', material: 'copper' },
        { lengthM: 20, currentA: 30, voltageV: 400, phases, parallel },
      );
    expect(at(1) / at(3)).toBeCloseTo(2 / Math.sqrt(3), 9);
    expect(at(1, 2)).toBeCloseTo(at(1) / 2, 12);
  });
});
