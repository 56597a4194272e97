import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batteryDrainWh } from './battery-drain.js';
import { peukertDrainW } from './peukert-drain.js';
import {
  peukertTimeH,
  stateOfHealth,
  temperatureFactor,
  worstRuntime,
  worstWindow,
} from '../../electric/index.js';
import { requiredNameplateWh, type Derating } from './required-nameplate.js';

const flat = (powerW: number) => new Array<number>(24).fill(powerW);
const profile = fc.array(fc.double({ min: 1, max: 8000, noNaN: true }), { minLength: 24, maxLength: 24 });
const ideal: Derating = { window: 1, stateOfHealth: 1, temperatureFactor: 1 };
const lossless = { dischargeEfficiency: 1, standbyW: 0, peukert: null };
const leadAcid = { dischargeEfficiency: 0.92, standbyW: 40, peukert: { exponent: 1.2, ratedHours: 20 } };

describe('runtime at constant load', () => {
  // Common practice, no source: the sanity checks of the trade.
  it('10 kWh at 5 kW lasts 2 h', () => {
    expect(worstRuntime(flat(5000), 10_000).runtimeH).toBeCloseTo(2, 9);
  });
  it('10 kWh at 1.5 to 2 kW lasts 5 to 7 h', () => {
    expect(worstRuntime(flat(2000), 10_000).runtimeH).toBeCloseTo(5, 9);
    expect(worstRuntime(flat(1500), 10_000).runtimeH).toBeCloseTo(6.67, 2);
  });
  it('10 kWh carry an efficient refrigerator 5 to 10 days', () => {
    expect(worstRuntime(flat(2000 / 24), 10_000).runtimeH / 24).toBeCloseTo(5, 6);
    expect(worstRuntime(flat(1000 / 24), 10_000).runtimeH / 24).toBeCloseTo(10, 6);
  });
  it('has no end where nothing is drawn', () => {
    expect(worstRuntime(flat(1e-300), 10).runtimeH).toBe(Infinity);
    expect(worstRuntime(flat(0), 10).runtimeH).toBe(Infinity);
  });
});

describe('worst window', () => {
  it('starts before the evening peak', () => {
    const day = flat(100).map((wh, hour) => (hour >= 18 && hour < 22 ? 1000 : wh));
    expect(worstWindow(day, 4)).toEqual({ energyWh: 4000, startHour: 18 });
    expect(worstWindow(day, 4.5).energyWh).toBeCloseTo(4050, 9);
  });
  it('takes whole days as they are', () => {
    expect(worstWindow(flat(100), 72).energyWh).toBeCloseTo(7200, 9);
  });
  it('is never beaten by a start at any minute', () => {
    fc.assert(
      fc.property(
        profile,
        fc.integer({ min: 1, max: 47 }),
        fc.integer({ min: 0, max: 47 }),
        (day, length, start) => {
          let sum = 0;
          for (let half = 0; half < length; half += 1) sum += day[Math.floor((start + half) / 2) % 24]! / 2;
          expect(worstWindow(day, length / 2).energyWh).toBeGreaterThanOrEqual(sum - 1e-6);
        },
      ),
    );
  });
});

describe('runtime and required energy', () => {
  it('are each other’s inverse', () => {
    fc.assert(
      fc.property(profile, fc.double({ min: 0.5, max: 200, noNaN: true }), (day, hours) => {
        expect(worstRuntime(day, worstWindow(day, hours).energyWh).runtimeH).toBeCloseTo(hours, 6);
      }),
    );
  });

  it('more energy never shortens the runtime', () => {
    fc.assert(
      fc.property(
        profile,
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        (day, energy, more) => {
          expect(worstRuntime(day, energy + more).runtimeH).toBeGreaterThanOrEqual(
            worstRuntime(day, energy).runtimeH - 1e-9,
          );
        },
      ),
    );
  });

  it('close the energy balance: usable = (loads + stand-by) ÷ efficiency', () => {
    fc.assert(
      fc.property(profile, fc.double({ min: 100, max: 60_000, noNaN: true }), (day, usableWh) => {
        const path = { dischargeEfficiency: 0.94, standbyW: 60, peukert: null };
        const { runtimeH } = worstRuntime(batteryDrainWh(day, path, usableWh), usableWh);
        const loadsWh = worstWindow(day, runtimeH).energyWh;
        expect((loadsWh + 60 * runtimeH) / 0.94 / usableWh).toBeCloseTo(1, 9);
      }),
    );
  });

  it('derate the nameplate: 1 kW for 10 h from 80 % window, 90 % health, 95 % temperature, 94 % efficiency, 50 W stand-by', () => {
    const nameplateWh = requiredNameplateWh(
      flat(1000),
      10,
      { ...lossless, dischargeEfficiency: 0.94, standbyW: 50 },
      { window: 0.8, stateOfHealth: 0.9, temperatureFactor: 0.95 },
    );
    expect(nameplateWh).toBeCloseTo(10_500 / (0.94 * 0.8 * 0.9 * 0.95), 6);
  });

  // Common practice, no source: 10 kWh nameplate gives 8 kWh daily on lithium.
  it('10 kWh nameplate give 8 kWh in the daily window of lithium', () => {
    expect(requiredNameplateWh(flat(1000), 8, lossless, { ...ideal, window: 0.8 })).toBeCloseTo(10_000, 9);
  });

  it('find the lead-acid nameplate that lasts exactly as long as asked', () => {
    fc.assert(
      fc.property(profile, fc.double({ min: 1, max: 100, noNaN: true }), (day, hours) => {
        const derating = { window: 0.5, stateOfHealth: 0.8, temperatureFactor: 0.84 };
        const nameplateWh = requiredNameplateWh(day, hours, leadAcid, derating);
        const agedWh = nameplateWh * 0.8 * 0.84;
        const { runtimeH } = worstRuntime(batteryDrainWh(day, leadAcid, agedWh), agedWh * 0.5);
        expect(runtimeH).toBeGreaterThanOrEqual(hours - 1e-6);
        expect(runtimeH).toBeLessThan(hours * 1.001 + 1e-3);
      }),
      { numRuns: 40 },
    );
  });
});

describe('Peukert', () => {
  // Handbook example (recalled): 100 Ah at the 20-hour rate, k = 1.2, discharged at 10 A: 20·(100/(10·20))^1.2 = 8.71 h.
  it('gives the handbook example', () => {
    expect(peukertTimeH(100, 20, 1.2, 10)).toBeCloseTo(8.706, 3);
  });
  it('is the rated time at the rated current, whatever the exponent', () => {
    expect(peukertTimeH(200, 20, 1.3, 10)).toBeCloseTo(20, 9);
  });
  it('as a drain empties the battery in the same time', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.05, max: 1.4, noNaN: true }),
        fc.double({ min: 1.1, max: 20, noNaN: true }),
        (exponent, rate) => {
          const capacityWh = 12_000;
          const powerW = (capacityWh / 20) * rate;
          const hours = capacityWh / peukertDrainW(powerW, capacityWh, { exponent, ratedHours: 20 });
          expect(hours).toBeCloseTo(peukertTimeH(capacityWh / 48, 20, exponent, powerW / 48), 6);
        },
      ),
    );
  });
  it('credits no more than the rated capacity below the rated rate, and nothing on lithium', () => {
    expect(peukertDrainW(100, 12_000, { exponent: 1.2, ratedHours: 20 })).toBe(100);
    expect(peukertDrainW(9000, 12_000, null)).toBe(9000);
  });
});

describe('ageing and temperature', () => {
  // Common practice, no source: 1 to 1.5 % a year in the field.
  it('lithium keeps 85 to 90 % after ten years', () => {
    expect(stateOfHealth(0.0125, 10)).toBeCloseTo(0.875, 9);
    expect(stateOfHealth(0.5, 10)).toBe(0.3);
  });
  // IEEE 485 cell size correction (recalled): 1.00 at 25 °C, 1.19 at 10 °C, 1.30 at 4.4 °C, 1.52 at −3.9 °C.
  it.each([
    [25, 1],
    [10, 1.19],
    [4.4, 1.3],
    [-3.9, 1.52],
  ])('lead-acid at %f °C needs a cell %f times as large', (at, correction) => {
    expect(1 / temperatureFactor('lead-acid', at)).toBeCloseTo(correction, 9);
  });
  it('never gives more than rated, and less in the cold', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lithium', 'lead-acid'),
        fc.double({ min: -40, max: 20, noNaN: true }),
        (chemistry, at) => {
          const here = temperatureFactor(chemistry, at);
          expect(here).toBeGreaterThan(0);
          expect(here).toBeLessThanOrEqual(temperatureFactor(chemistry, at + 1) + 1e-12);
          expect(here).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});
