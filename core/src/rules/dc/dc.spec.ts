import { describe, expect, it } from 'vitest';
import { arrayDesignA, coldFactor, coldVoltageV } from './array-string.js';
import {
  batteryCurrentA,
  chargeControllers,
  lowestVoltageV,
  parallelCurrentsA,
  stringFuseA,
  stringProblems,
} from './battery-circuit.js';

describe('battery circuits', () => {
  it('9 kW from 16 cells at 2.8 V: 216 A, two strings of 108 A, 150 A fuses', () => {
    const voltageV = lowestVoltageV(51.2, 'lithium');
    expect(voltageV).toBeCloseTo(44.8);
    const of = { powerW: 9000, efficiency: 0.93, voltageV };
    expect(batteryCurrentA(of)).toBeCloseTo(216, 0);
    const eachA = batteryCurrentA(of, 2);
    expect(eachA).toBeCloseTo(108, 0);
    expect(stringFuseA(eachA)).toBe(150);
    // The usual figure of the trade, at nominal voltage and without loss (common practice).
    expect(9000 / 48).toBeCloseTo(187.5);
    expect(stringProblems({ currentA: eachA, fuseA: 150, cableA: 150 })).toEqual([]);
  });

  it('fuses of 125 A on cable of 100 A protect nothing, and are too small besides', () => {
    const found = stringProblems({ currentA: 108, fuseA: 125, cableA: 100 });
    expect(found).toHaveLength(3);
    expect(found.join(' ')).toContain('does not protect a cable that carries 100 A');
    expect(stringProblems({ currentA: 108, fuseA: null, cableA: 200 })).toEqual([
      'No fuse protects the string.',
    ]);
  });

  it('200 A fuses suit up to 160 A', () => {
    expect(stringFuseA(160)).toBe(200);
    expect(stringFuseA(160.1)).toBe(225);
  });

  it('parallel strings share by conductance: 1 m and 2 m of cable beside the same battery', () => {
    // 10 mΩ of battery; 0.5 mΩ a metre: 10.5 and 11 mΩ share 216 A as 110.5 to 105.5.
    const [one, two] = parallelCurrentsA(216, [0.0105, 0.011]);
    expect(one! + two!).toBeCloseTo(216);
    expect(one!).toBeCloseTo((216 * 11) / 21.5);
    expect(parallelCurrentsA(90, [0.02, 0.02, 0.02])).toEqual([30, 30, 30].map((a) => expect.closeTo(a, 9)));
  });

  it('13.5 kW over controllers of 60 A: five at 54 V, or four with 4 % clipped; four at 58 V', () => {
    const at54 = chargeControllers(13_500, 60, 54);
    expect(at54.exact).toBeCloseTo(4.17, 2);
    expect(at54.count).toBe(5);
    expect(at54.clippedByOneFewer).toBeCloseTo(0.04, 2);
    const at58 = chargeControllers(13_500, 60, 58);
    expect(at58.exact).toBeCloseTo(3.88, 2);
    expect(at58.count).toBe(4);
  });
});

describe('strings of modules', () => {
  // NEC 2023, table 690.7(A), recalled.
  it('1.14 at −10 °C, 1.18 at −20 °C, 1.25 at −40 °C', () => {
    expect([-10, -20, -40, 20, 25].map(coldFactor)).toEqual([1.14, 1.18, 1.25, 1.02, 1]);
    expect(coldFactor(-12)).toBe(1.16);
  });
  it('by the coefficient of the data sheet: ten modules of 49 V at −20 °C and −0.27 %/°C', () => {
    expect(coldVoltageV(10, 49, -20, -0.0027)).toBeCloseTo(490 * (1 + 0.0027 * 45));
    expect(coldVoltageV(10, 49, -20, null)).toBeCloseTo(490 * 1.18);
  });
  it('current twice by 125 %', () => {
    expect(arrayDesignA(10)).toBeCloseTo(15.625);
  });
});
