import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { supplySystems } from '../../electric/index.js';
import { seasons } from '../../nature/index.js';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import { hourlyEnergyWh } from '../loads/hourly-energy.js';
import {
  cookings,
  coolings,
  heatings,
  houseByBills,
  waterHeatings,
} from '../loads/library/house-by-bills.js';
import { loadSchema } from '../loads/load.schema.js';
import { usualShareWh, useForEnergy } from '../loads/use-for-energy.js';
import { aLoad } from '../testing/loads.js';
import { restLoad, settleRest, unexplainedWh } from './rest-of-bills.js';
import { seasonDayWh } from './season-day.js';
import { type Bill, emptyUsage } from '../usage/usage.schema.js';

const monthly = (kWhByMonth: readonly number[]): Bill[] =>
  kWhByMonth.map((kWh, month) => ({
    id: `bill-${month}`,
    fromDay: new Date(Date.UTC(2025, month, 1)).toISOString().slice(0, 10),
    toDay: new Date(Date.UTC(2025, month + 1, 1)).toISOString().slice(0, 10),
    energyWh: kWh * 1000,
    exportWh: null,
  }));
const house = (
  bills: readonly Bill[],
  loads = [aLoad()],
  system: (typeof supplySystems)[number] = 'split-120-240',
) => ({
  site: {
    place: '',
    latitudeDeg: null,
    longitudeDeg: null,
    timeZone: null,
    units: 'metric' as const,
    floorAreaM2: null,
  },
  supply: { system, frequencyHz: 60 as const, serviceRatingA: null },
  usage: { ...emptyUsage(), bills: [...bills] },
  loads: [...loads],
});
const anyYear = fc.array(fc.integer({ min: 60, max: 4000 }), { minLength: 12, maxLength: 12 });
let next = 0;
const newId = (): string => `made-${next++}`;

describe('a load with an energy of its own', () => {
  it('takes just that, in every season, and fits into the day', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 120_000 }), { minLength: 3, maxLength: 3 }), (wh) => {
        const wanted = { winter: wh[0]!, shoulder: wh[1]!, summer: wh[2]! };
        const load = { ...aLoad(), ...useForEnergy(wanted) };
        expect(loadSchema.safeParse(load).success).toBe(true);
        for (const season of seasons) {
          expect(dailyEnergyWh(load, season)).toBeCloseTo(wanted[season], 4);
          const hours = hourlyEnergyWh(load, season);
          const night = [22, 23, 0, 1, 2, 3, 4, 5];
          expect(night.reduce((sum, hour) => sum + hours[hour]!, 0)).toBeCloseTo(
            usualShareWh(wanted[season], night),
            4,
          );
        }
      }),
    );
  });
});

describe('a house of which only the bills are known', () => {
  it('comes, with its rest, to what was billed in every season', () => {
    fc.assert(
      fc.property(
        anyYear,
        fc.constantFrom(...supplySystems),
        fc.record({
          heating: fc.constantFrom(...heatings),
          cooling: fc.constantFrom(...coolings),
          water: fc.constantFrom(...waterHeatings),
          cooking: fc.constantFrom(...cookings),
          ownWell: fc.boolean(),
        }),
        (year, system, answers) => {
          const bills = monthly(year);
          const billed = seasonDayWh({ bills }, house(bills).site)!;
          const loads = houseByBills(billed, answers, system, newId);
          const bare = house(bills, loads, system);
          const all = [...loads, restLoad('rest', bare)];
          for (const load of all) expect(loadSchema.safeParse(load).success, load.name).toBe(true);
          for (const season of seasons) {
            const taken = all.reduce((sum, load) => sum + dailyEnergyWh(load, season), 0);
            expect(taken).toBeCloseTo(billed[season], 3);
          }
        },
      ),
    );
  });

  it('puts what winter has above the least season into heating', () => {
    const year = [1500, 1400, 1100, 700, 600, 600, 600, 600, 600, 700, 1000, 1500];
    const billed = seasonDayWh({ bills: monthly(year) }, house([]).site)!;
    const answers = { cooling: 'none', water: 'fuel', cooking: 'gas', ownWell: false } as const;
    const loads = houseByBills(billed, { ...answers, heating: 'resistance' }, 'split-120-240', newId);
    const heater = loads.find(({ kind }) => kind === 'space-heating')!;
    expect(dailyEnergyWh(heater, 'winter')).toBeCloseTo(billed.winter - billed.summer, 3);
    expect(dailyEnergyWh(heater, 'summer')).toBe(0);
  });
});

describe('the rest of the house', () => {
  it('follows the list: what is listed it no longer holds, and never less than nothing', () => {
    const bills = monthly(Array.from({ length: 12 }, () => 300));
    const bare = house(bills, [aLoad({ id: 'a', runningPowerW: 100 })]);
    const withRest = { ...bare, loads: [...bare.loads, restLoad('rest', bare)] };
    const listedWh = dailyEnergyWh(bare.loads[0]!, 'winter');
    expect(unexplainedWh(withRest)!.winter).toBeCloseTo(
      seasonDayWh({ bills }, house(bills).site)!.winter - listedWh,
      6,
    );
    const more = settleRest({
      ...withRest,
      loads: [...withRest.loads, aLoad({ id: 'b', runningPowerW: 50_000 })],
    });
    expect(
      dailyEnergyWh(
        more.loads.find(({ id }) => id === 'rest')!,
        'winter',
      ),
    ).toBe(0);
    expect(settleRest(more)).toBe(more);
    expect(settleRest({ ...withRest, usage: { ...withRest.usage, bills: [] } }).loads.at(-1)).toEqual(
      withRest.loads.at(-1),
    );
  });

  it('a season without a bill is the mean of the others', () => {
    const [january] = monthly([310]);
    expect(seasonDayWh({ bills: [january!] }, house([]).site)).toEqual({
      winter: 10_000,
      shoulder: 10_000,
      summer: 10_000,
    });
    expect(seasonDayWh({ bills: [] }, house([]).site)).toBeNull();
  });
});
