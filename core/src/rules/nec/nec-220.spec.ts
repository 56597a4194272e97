import { describe, expect, it } from 'vitest';
import { aLoad } from '../../house/testing/loads.js';
import { dwelling } from '../testing/dwelling.js';
import { dwellingLoadsOf } from './dwelling-loads-of.js';
import { existingDwelling } from './nec-220-83.js';
import { standardDwelling } from './nec-220-standard.js';
import { optionalDwelling } from './nec-220-82.js';

// All examples: NEC Informative Annex D, recalled from memory; verify against the adopted edition.

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

  it('counts those of 500 W and more towards the four, and the others in full', () => {
    const demand = (...fastenedVA: number[]) => standardDwelling(dwelling({ fastenedVA })).fastenedDemandVA;
    expect(demand(1000, 1000, 1000, 400)).toBe(3400);
    expect(demand(1000, 1000, 1000, 499)).toBe(3499);
    expect(demand(1000, 1000, 1000, 500)).toBe(2625);
    expect(demand(1000, 1000, 1000, 1000, 400)).toBe(3400);
  });

  it('counts a car charger at 7,200 VA at least, and never among the four (220.57)', () => {
    const demand = (...vehicleVA: number[]) =>
      standardDwelling(dwelling({ fastenedVA: [1000, 1000, 1000], vehicleVA }));
    expect(demand(3600)).toMatchObject({ vehicleVA: 7200, fastenedDemandVA: 3000 });
    expect(demand(9600, 1400).vehicleVA).toBe(16_800);
  });

  // Annex D, Example D1(b): D1(a) with a 6 A 230 V and a 12 A 115 V room unit, an 8 A disposal and a 10 A dishwasher:
  // 99 A on one line and 104 A on the other. Each line is calculated with what is on it, in amperes at 240 V.
  it('gives Example D1(b): 99 A and 104 A', () => {
    const common = standardDwelling(dwelling({ rangeVA: [12_000], dryerVA: [5500] })).totalVA / 240;
    const line = (amperes: readonly number[], motorA: number) => {
      const on = standardDwelling(
        dwelling({
          floorAreaFt2: 0,
          smallApplianceCircuits: 0,
          laundryCircuits: 0,
          fastenedVA: amperes,
          motors: [{ powerVA: motorA, of: 'fastened' }],
        }),
      );
      return Math.round(Math.round(common) + on.fastenedDemandVA + on.largestMotorVA);
    };
    expect([line([6, 12], 12), line([6, 10, 8], 8)]).toEqual([99, 104]);
  });

  it('adds 25 % of the largest motor that counts (220.50, 430.24)', () => {
    const motors = [
      { powerVA: 1200, of: 'fastened' },
      { powerVA: 4000, of: 'cooling' },
    ] as const;
    expect(standardDwelling(dwelling({ coolingVA: 4000, motors })).largestMotorVA).toBe(1000);
    expect(standardDwelling(dwelling({ coolingVA: 4000, spaceHeatingVA: 9000, motors })).largestMotorVA).toBe(
      300,
    );
  });

  it('takes small cooking appliances by columns A and B where that is less (Table 220.55, note 3)', () => {
    const demand = (...rangeVA: number[]) => standardDwelling(dwelling({ rangeVA })).rangeDemandVA;
    // One of 5 kW: 80 % by column B, against 8 kW by column C.
    expect(demand(5000)).toBeCloseTo(4000, 9);
    // Two ovens of 4 kW and a cooktop of 5.1 kW: 55 % of 13.1 kW against 14 kW.
    expect(demand(4000, 4000, 5100)).toBeCloseTo(7205, 9);
    // Below and above 3.5 kW, each by its own number.
    expect(demand(3000, 5000)).toBeCloseTo(0.8 * 3000 + 0.8 * 5000, 9);
    expect(demand(12_000, 4000)).toBeCloseTo(11_000, 9);
    // Column B for four to ten of 4 kW: 50 to 34 %.
    const shares = [0.5, 0.45, 0.43, 0.4, 0.36, 0.35, 0.34];
    shares.forEach((share, i) =>
      expect(demand(...new Array<number>(i + 4).fill(4000))).toBeCloseTo(share * 4000 * (i + 4), 6),
    );
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

  it('gives Example D2(b), room units larger than heating: 29.2 kVA, 122 A', () => {
    const result = optionalDwelling(
      dwelling({
        rangeVA: [4000, 4000, 5100],
        fastenedVA: [4500, 1200],
        dryerVA: [5000],
        coolingVA: 6 * 7 * 240,
        spaceHeatingVA: 1500,
        spaceHeatingUnits: 1,
      }),
    );
    expect(result.generalVA).toBe(32_800);
    expect(result.generalDemandVA).toBeCloseTo(19_120, 9);
    expect(result).toMatchObject({ heatingCoolingVA: 10_080, counts: 'cooling' });
    expect(result.totalVA).toBeCloseTo(29_200, 9);
    expect(Math.round(result.totalVA / 240)).toBe(122);
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

// 220.83, worked by hand: the dwelling of Example D2(a).
describe('an existing dwelling', () => {
  const house = dwelling({
    rangeVA: [12_000],
    fastenedVA: [2500, 1200],
    dryerVA: [5000],
    coolingVA: 6 * 230,
  });

  it('without heating or cooling added: 8 kVA and 40 % of 23,080 VA', () => {
    const result = existingDwelling(house, { addsHeatingOrCooling: false });
    expect(result.generalVA).toBe(31_080);
    expect(result.totalVA).toBeCloseTo(17_232, 9);
  });

  it('with a heat pump of 24 A added: 8 kVA, 40 % of 21,700 VA and the heat pump in full', () => {
    const result = existingDwelling({ ...house, heatPumpVA: 24 * 240 }, { addsHeatingOrCooling: true });
    expect(result.generalDemandVA).toBeCloseTo(16_680, 9);
    expect(result.heatingCoolingVA).toBe(5760);
    expect(Math.round(result.totalVA / 240)).toBe(94);
  });

  it('never asks for more when a load goes', () => {
    const less = existingDwelling({ ...house, dryerVA: [] }, { addsHeatingOrCooling: true });
    expect(less.totalVA).toBeLessThan(existingDwelling(house, { addsHeatingOrCooling: true }).totalVA);
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
