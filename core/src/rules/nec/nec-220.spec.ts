import { describe, expect, it } from 'vitest';
import { aLoad } from '../../house/testing/loads.js';
import type { DwellingLoads } from './dwelling-loads.js';
import { dwellingLoadsOf } from './dwelling-loads-of.js';
import { standardDwelling } from './nec-220-standard.js';
import { optionalDwelling } from './nec-220-82.js';

/** All examples: NEC Informative Annex D, recalled from memory; verify against the adopted edition. */
const dwelling = (loads: Partial<DwellingLoads>): DwellingLoads => ({
  floorAreaFt2: 1500,
  smallApplianceCircuits: 2,
  laundryCircuits: 1,
  fastenedVA: [],
  rangeVA: [],
  dryerVA: [],
  coolingVA: 0,
  heatPumpVA: 0,
  backupHeatVA: 0,
  spaceHeatingVA: 0,
  spaceHeatingUnits: 0,
  ...loads,
});

describe('standard calculation', () => {
  it('gives Example D1(a): 18,600 VA, 78 A', () => {
    const result = standardDwelling(dwelling({ rangeVA: [12_000], dryerVA: [5500] }));
    expect(result.generalDemandVA).toBeCloseTo(5100, 9);
    expect(result.rangeDemandVA).toBe(8000);
    expect(result.dryerDemandVA).toBe(5500);
    expect(result.totalVA).toBeCloseTo(18_600, 9);
    expect(Math.round(result.totalVA / 240)).toBe(78);
  });

  it('takes four or more fastened appliances at 75 % (220.53)', () => {
    const three = standardDwelling(dwelling({ fastenedVA: [1000, 1000, 1000] }));
    const four = standardDwelling(dwelling({ fastenedVA: [1000, 1000, 1000, 1000] }));
    expect(three.fastenedDemandVA).toBe(3000);
    expect(four.fastenedDemandVA).toBe(3000);
  });

  it('counts a dryer at 5,000 VA at least (220.54)', () => {
    expect(standardDwelling(dwelling({ dryerVA: [4200] })).dryerDemandVA).toBe(5000);
  });

  it('adds 5 % for each kilowatt of a range above 12 kW (Table 220.55, note 1)', () => {
    expect(standardDwelling(dwelling({ rangeVA: [14_000] })).rangeDemandVA).toBeCloseTo(8800, 9);
    expect(standardDwelling(dwelling({ rangeVA: [9000, 9000] })).rangeDemandVA).toBe(11_000);
  });

  it('takes the larger of heating and cooling (220.60)', () => {
    const result = standardDwelling(dwelling({ coolingVA: 4000, spaceHeatingVA: 9000 }));
    expect(result.heatingCoolingVA).toBe(9000);
  });
});

describe('optional calculation', () => {
  it('gives Example D2(a): 21,480 VA, 90 A', () => {
    const result = optionalDwelling(
      dwelling({
        rangeVA: [12_000],
        fastenedVA: [2500, 1200],
        dryerVA: [5000],
        spaceHeatingVA: 9000,
        spaceHeatingUnits: 5,
        coolingVA: 6 * 230,
      }),
    );
    expect(result.generalVA).toBe(29_700);
    expect(result.generalDemandVA).toBeCloseTo(17_880, 9);
    expect(result.heatingCoolingVA).toBeCloseTo(3600, 9);
    expect(result.totalVA).toBeCloseTo(21_480, 9);
    expect(Math.round(result.totalVA / 240)).toBe(90);
  });

  it('gives Example D2(c), heat pump with backup heat: 34.8 kVA, 145 A', () => {
    const result = optionalDwelling(
      dwelling({
        floorAreaFt2: 2000,
        rangeVA: [12_000],
        fastenedVA: [4500, 1200],
        dryerVA: [5000],
        heatPumpVA: 24 * 240,
        backupHeatVA: 15_000,
      }),
    );
    expect(result.generalDemandVA).toBeCloseTo(19_280, 9);
    expect(result.heatingCoolingVA).toBeCloseTo(15_510, 9);
    expect(result.totalVA / 1000).toBeCloseTo(34.8, 1);
    expect(Math.round(result.totalVA / 240)).toBe(145);
  });

  it('takes fewer than four heating units at 65 %', () => {
    const result = optionalDwelling(dwelling({ spaceHeatingVA: 9000, spaceHeatingUnits: 3 }));
    expect(result.heatingCoolingVA).toBeCloseTo(5850, 9);
  });
});

describe('inputs read off a list of loads', () => {
  it('gives Example D2(a) again', () => {
    const of = (kind: Parameters<typeof aLoad>[0] & object) => aLoad({ powerFactor: 1, ...kind });
    const inputs = dwellingLoadsOf(
      [
        of({ kind: 'range', runningPowerW: 12_000 }),
        of({ kind: 'water-heater', runningPowerW: 2500 }),
        of({ kind: 'dishwasher', runningPowerW: 1200 }),
        of({ kind: 'dryer', runningPowerW: 5000 }),
        of({ kind: 'space-heating', quantity: 5, runningPowerW: 1800 }),
        of({ kind: 'cooling', runningPowerW: 1380 }),
        of({ kind: 'lighting', runningPowerW: 400 }),
      ],
      1500 / 10.7639104,
    );
    expect(optionalDwelling(inputs).totalVA).toBeCloseTo(21_480, 6);
  });
});
