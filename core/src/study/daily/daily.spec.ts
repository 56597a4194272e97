import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, type Plan, strategies } from '../../design/index.js';
import type { Bill } from '../../house/index.js';
import { sampleTariffs } from '../../tariff/index.js';
import { studyYear } from '../outage/outage-study.js';
import { billScale, scaledByMonth } from './bill-scale.js';
import { ownSolarLevels, keptFullLevels } from './charge-levels.js';
import { type ChargeValue, evenValue, levelWh, valueBefore } from './charge-value.js';
import type { DailyBattery } from './daily-battery.js';
import { dailyHouse } from './daily-house.js';
import { type DailyQuestion, dailyResult } from './daily-result.js';
import { playYear, type YearOfEnergy } from './play-year.js';
import { priceLevels } from './price-levels.js';
import { dailyCharge, reservePoint } from './reserve-curve.js';
import { turned, yearClock } from './year-clock.js';

const arbitraryBattery: fc.Arbitrary<DailyBattery> = fc
  .record({
    usableWh: fc.integer({ min: 500, max: 30_000 }),
    floorShare: fc.double({ min: 0, max: 1, noNaN: true }),
    chargePowerW: fc.integer({ min: 100, max: 12_000 }),
    chargeEfficiency: fc.double({ min: 0.7, max: 1, noNaN: true }),
    dcChargeEfficiency: fc.double({ min: 0.8, max: 1, noNaN: true }),
    givesW: fc.integer({ min: 300, max: 12_000 }),
    lossPerW: fc.double({ min: 0, max: 0.15, noNaN: true }),
    lossPerW2: fc.double({ min: 0, max: 2e-5, noNaN: true }),
    standbyW: fc.integer({ min: 0, max: 80 }),
  })
  .map(({ floorShare, ...rest }) => ({ ...rest, floorWh: floorShare * rest.usableWh }));

/** Twenty days of hours or quarter hours; a pattern that comes again. */
const arbitraryPattern = fc.record({
  intervalMin: fc.constantFrom(15, 60),
  load: fc.array(fc.integer({ min: 0, max: 6000 }), { minLength: 7, maxLength: 50 }),
  ac: fc.array(fc.integer({ min: 0, max: 7000 }), { minLength: 5, maxLength: 40 }),
  dc: fc.array(fc.integer({ min: 0, max: 7000 }), { minLength: 3, maxLength: 40 }),
});
type Pattern = typeof arbitraryPattern extends fc.Arbitrary<infer P> ? P : never;
const yearOf = ({ intervalMin, load, ac, dc }: Pattern): YearOfEnergy => {
  const of = (pattern: readonly number[]): Float64Array =>
    Float64Array.from(
      { length: (20 * 1440) / intervalMin },
      (_, i) => (pattern[i % pattern.length]! * intervalMin) / 60,
    );
  return { intervalMin, loadWh: of(load), sunAcWh: of(ac), sunDcWh: of(dc) };
};

const priced = (year: YearOfEnergy, dear: number, sent: number) => ({
  importPerKWh: Float64Array.from(year.loadWh, (_, i) => (i % 24 > 15 ? dear : 0.1)),
  exportPerKWh: new Float64Array(year.loadWh.length).fill(sent),
});

describe('a year that is played', () => {
  it('keeps its energy, its limits and its window, whatever the strategy', () => {
    fc.assert(
      fc.property(
        arbitraryPattern,
        arbitraryBattery,
        fc.constantFrom('own', 'full', 'prices', 'sends', 'none'),
        fc.option(fc.integer({ min: 200, max: 8000 }), { nil: Infinity }),
        (pattern, battery, how, limitW) => {
          const year = yearOf(pattern);
          const rules = { gridCharging: true, sendsOut: how === 'sends', importLimitW: limitW };
          const levels =
            how === 'own' || how === 'none'
              ? ownSolarLevels
              : how === 'full'
                ? keptFullLevels
                : priceLevels(year, battery, priced(year, 0.4, 0.15), rules);
          const played = playYear(year, how === 'none' ? null : battery, levels, limitW);
          const sum = (of: ArrayLike<number>): number => Array.from(of).reduce((all, wh) => all + wh, 0);
          const { sunWh, loadWh, standbyWh, lostWh, curtailedWh, gainedWh } = played;
          const into = sunWh + sum(played.importWh);
          const out = loadWh + standbyWh + sum(played.exportWh) + lostWh + curtailedWh + gainedWh;
          expect(Math.abs(into - out)).toBeLessThanOrEqual(1e-9 * Math.max(1, into));
          const hours = year.intervalMin / 60;
          for (const [i, wh] of played.chargeWh.entries()) {
            if (how === 'none') break;
            expect(wh).toBeGreaterThanOrEqual(battery.floorWh - 1e-6);
            expect(wh).toBeLessThanOrEqual(battery.usableWh + 1e-6);
            const next = played.chargeWh[i + 1] ?? wh;
            expect(next - wh).toBeLessThanOrEqual(battery.chargePowerW * hours + 1e-6);
          }
          expect(lostWh).toBeGreaterThanOrEqual(-1e-9);
          expect(curtailedWh).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('buys no more with more battery, where it stores the sun only', () => {
    fc.assert(
      fc.property(
        arbitraryPattern,
        arbitraryBattery,
        fc.double({ min: 1, max: 3, noNaN: true }),
        (pattern, battery, more) => {
          const year1 = yearOf({ ...pattern, dc: [0] });
          const straight = { ...battery, lossPerW2: 0 };
          const larger = {
            ...straight,
            usableWh: straight.floorWh + more * (straight.usableWh - straight.floorWh),
          };
          const bought = (of: DailyBattery): number => {
            const { importWh, gainedWh } = playYear(year1, of, ownSolarLevels);
            // What is left over at the end could have been used.
            return importWh.reduce((sum, wh) => sum + wh, 0) - Math.max(0, gainedWh);
          };
          expect(bought(larger)).toBeLessThanOrEqual(
            bought(straight) + larger.usableWh - straight.usableWh + 1e-6,
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('by hand: ten hours of sun, a night, one kWh and a half of it stored', () => {
    // 10 h at 1 kW of sun against 0.5 kW; 14 h without sun. Battery of 4 kWh, 90 % in, 90 % out: 4.44 kWh of the 5 go in.
    const loadWh = new Float64Array(24 * 3).fill(500);
    const sunAcWh = Float64Array.from(loadWh, (_, i) => (i % 24 >= 6 && i % 24 < 16 ? 1000 : 0));
    const battery: DailyBattery = {
      usableWh: 4000,
      floorWh: 0,
      chargePowerW: 3000,
      chargeEfficiency: 0.9,
      dcChargeEfficiency: 1,
      givesW: 3000,
      lossPerW: 1 / 9,
      lossPerW2: 0,
      standbyW: 0,
    };
    const year = { intervalMin: 60, loadWh, sunAcWh, sunDcWh: new Float64Array(72) };
    const { givenWh, exportWh, importWh } = playYear(year, battery, ownSolarLevels);
    const total = (of: Float64Array): number => of.reduce((sum, wh) => sum + wh, 0);
    expect(givenWh / 3).toBeCloseTo(3600, 6);
    expect(total(exportWh) / 3).toBeCloseTo(5000 - 4000 / 0.9, 6);
    expect(total(importWh) / 3).toBeCloseTo(7000 - 3600, 6);
  });
});

describe('the worth of a charge', () => {
  /** Worth of a charge, by adding stretches up. */
  const worth = ({ lengthWh, slope }: ChargeValue, chargeWh: number): number => {
    let left = chargeWh;
    let sum = 0;
    for (let i = 0; i < slope.length && left > 0; i += 1) {
      const here = Math.min(left, lengthWh[i]!);
      sum += here * slope[i]!;
      left -= here;
    }
    return sum;
  };

  it('is that of the best of all charges at the end of the hour, tried one by one', () => {
    const step = 50;
    const arbitraryHour = fc.record({
      netWh: fc.integer({ min: -60, max: 60 }).map((n) => n * step),
      importPrice: fc.integer({ min: 5, max: 40 }).map((n) => n / 100_000),
      exportShare: fc.constantFrom(0, 0.3, 1),
      grid: fc.boolean(),
      sends: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(arbitraryHour, { minLength: 1, maxLength: 5 }),
        fc.constantFrom([0.8, 0.5], [1, 1], [0.5, 0.8]),
        (hours, [chargeEfficiency, dischargeEfficiency]) => {
          const battery = {
            windowWh: 2000,
            chargeWh: 600,
            dischargeWh: 800,
            chargeEfficiency: chargeEfficiency!,
            dischargeEfficiency: dischargeEfficiency!,
          };
          let value = evenValue(2000, 0.0001);
          for (const { netWh, importPrice, exportShare, grid, sends } of hours) {
            const hour = {
              needWh: Math.max(0, netWh),
              surplusWh: Math.max(0, -netWh),
              importPrice,
              exportPrice: exportShare * importPrice,
              fromGridWh: grid ? Infinity : 0,
              sentOutWh: sends ? Infinity : 0,
            };
            const before = valueBefore(value, hour, battery);
            const base = hour.needWh * importPrice - hour.surplusWh * hour.exportPrice;
            for (let from = 0; from <= 2000; from += 400) {
              let best = -Infinity;
              for (let to = Math.max(0, from - 800); to <= Math.min(2000, from + 600); to += 12.5) {
                const into = Math.max(0, to - from) / chargeEfficiency!;
                const out = Math.max(0, from - to) * dischargeEfficiency!;
                const net = netWh + into - out;
                if (!grid && into > hour.surplusWh + 1e-9) continue;
                if (!sends && out > hour.needWh + 1e-9) continue;
                const cost = Math.max(0, net) * importPrice - Math.max(0, -net) * hour.exportPrice;
                best = Math.max(best, base - cost + worth(value, to));
              }
              // Values are up to what the hour costs without a battery, which the curve leaves out.
              const gained = worth(before, from) - worth(before, 0);
              const zero = (() => {
                let most = -Infinity;
                for (let to = 0; to <= 600; to += 12.5) {
                  const into = to / chargeEfficiency!;
                  if (!grid && into > hour.surplusWh + 1e-9) continue;
                  const net = netWh + into;
                  const cost = Math.max(0, net) * importPrice - Math.max(0, -net) * hour.exportPrice;
                  most = Math.max(most, base - cost + worth(value, to));
                }
                return most;
              })();
              // A grid of 12.5 Wh misses the best by less than a step at the dearest slope.
              expect(Math.abs(gained - (best - zero))).toBeLessThan(2 * 12.5 * 0.0009);
            }
            value = before;
          }
          expect(levelWh(value, -1)).toBeCloseTo(2000, 6);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('bills', () => {
  it('stretch the load list so that what is bought comes to them, sun first', () => {
    const loadWh = new Float64Array(8760).fill(800);
    const sunWh = Float64Array.from(loadWh, (_, i) => (i % 24 >= 8 && i % 24 < 16 ? 600 : 0));
    const bills: Bill[] = [
      { id: 'a', fromDay: '2025-01-01', toDay: '2025-02-01', energyWh: 31 * 16_000, exportWh: null },
      { id: 'b', fromDay: '2025-07-01', toDay: '2025-08-01', energyWh: 31 * 30_000, exportWh: null },
    ];
    const scales = billScale(loadWh, sunWh, bills);
    const scaled = scaledByMonth(loadWh, scales);
    const bought = (fromDay: number, days: number): number => {
      let sum = 0;
      for (let i = fromDay * 24; i < (fromDay + days) * 24; i += 1)
        sum += Math.max(0, scaled[i]! - sunWh[i]!);
      return sum / days;
    };
    expect(bought(0, 31)).toBeCloseTo(16_000, 3);
    expect(bought(181, 31)).toBeCloseTo(30_000, 3);
    expect(scales[3]).toBeCloseTo((scales[0]! + scales[6]!) / 2, 9);
  });
});

describe('the clock of a year', () => {
  it('begins at midnight on the wall, south of the equator too', () => {
    const site = demoPlans[0]!.plan.site;
    expect(yearClock(site, 60).shift).toBe(0);
    const south = yearClock({ ...site, timeZone: 'Australia/Sydney' }, 60);
    // Midnight of summer time is 23 h of standard time.
    expect(south.shift).toBe(-1);
    const marked = new Float64Array(8760);
    marked[8759] = 1;
    expect(turned(marked, south.shift)[0]).toBe(1);
  });
});

const [farm, row] = demoPlans.map(({ plan }) => plan) as [Plan, Plan];
const farmStacks = Object.fromEntries(farm.equipment.stacks.map(({ islandId, parts }) => [islandId, parts]));
const question = (plan: Plan): DailyQuestion => ({
  plan,
  catalogue: builtInCatalogue,
  stacks: farmStacks,
  ageYears: 0,
});
const house = dailyHouse(farm, null, 60);

describe('daily use of the farmhouse', () => {
  it('buys what the bills say before anything is designed', () => {
    const [before] = dailyResult(house, question(farm)).cases;
    const billedWh = farm.usage.bills.reduce((sum, { energyWh }) => sum + energyWh, 0);
    const days = farm.usage.bills.reduce(
      (sum, { fromDay, toDay }) => sum + (Date.parse(toDay) - Date.parse(fromDay)) / 86_400_000,
      0,
    );
    expect(before!.name).toBe('before');
    expect(before!.sums.importWh / 365).toBeGreaterThan((0.9 * billedWh) / days);
    expect(before!.sums.importWh / 365).toBeLessThan((1.1 * billedWh) / days);
  });

  it('costs less by every strategy that uses the battery than kept full, and least by prices', () => {
    const costs = Object.fromEntries(
      strategies.map((strategy) => {
        const plan = {
          ...farm,
          dailyUse: { ...farm.dailyUse, strategy, fullBeforeStorms: false, heldBack: 0.2 },
        };
        const { cases } = dailyResult(house, question(plan));
        return [strategy, Number(cases.at(-1)!.meters[0]!.bill!.total)];
      }),
    );
    expect(costs['own-solar']).toBeLessThan(costs['kept-full']!);
    expect(costs['prices']).toBeLessThan(costs['own-solar']!);
  });

  it('keeps shares between none and all, and months that add up', () => {
    for (const { sums, months, meters } of dailyResult(house, question(farm)).cases) {
      expect(sums.selfUse).toBeGreaterThan(0);
      expect(sums.selfUse).toBeLessThanOrEqual(1);
      expect(sums.selfSufficiency).toBeLessThan(1);
      expect(months.reduce((sum, { importWh }) => sum + importWh, 0)).toBeCloseTo(sums.importWh, 3);
      const bands = meters.flatMap((meter) => meter.bands);
      expect(bands.reduce((sum, { importWh }) => sum + importWh, 0)).toBeCloseTo(sums.importWh, 3);
    }
  });

  it('without a tariff stores the sun, and says that prices are lacking', () => {
    const bare = {
      ...farm,
      tariffs: [],
      survey: { ...farm.survey, services: farm.survey.services.map((one) => ({ ...one, tariffId: null })) },
    };
    const result = dailyResult(dailyHouse(bare, null, 60), question(bare));
    expect(result.lacksPrices).toBe(true);
    expect(result.cases[0]!.meters[0]!.bill).toBeNull();
  });

  it('in quarter hours is much the same', () => {
    const fine = dailyResult(dailyHouse(farm, null, 15), question(farm)).cases;
    const coarse = dailyResult(house, question(farm)).cases;
    const ratio = (at: number): number => fine.at(at)!.sums.importWh / coarse.at(at)!.sums.importWh;
    // Both buy what was billed. In quarter hours sun and load miss each other more often, so that the same bill means a smaller load.
    expect(ratio(0)).toBeCloseTo(1, 2);
    expect(ratio(-1)).toBeGreaterThan(0.9);
    expect(ratio(-1)).toBeLessThan(1.1);
  });
});

describe('held-back charge', () => {
  const of = (plan: Plan) => ({
    plan,
    house: dailyHouse(plan, null, 60),
    islandId: 'farm',
    year: studyYear({ plan, islandId: 'farm', parts: farmStacks['farm']!, weather: null }, builtInCatalogue)!,
  });
  const sunOnly = {
    ...farm,
    dailyUse: { ...farm.dailyUse, strategy: 'own-solar' as const, fullBeforeStorms: false },
  };

  it('costs daily use and buys hours', () => {
    const asked = of(sunOnly);
    const points = [0.2, 0.5, 0.9].map((share) => reservePoint(asked, share, 'winter', 28));
    for (let i = 1; i < points.length; i += 1) {
      expect(points[i]!.dailyWh).toBeLessThan(points[i - 1]!.dailyWh);
      expect(points[i]!.nineteenOfTwentyH).toBeGreaterThan(points[i - 1]!.nineteenOfTwentyH);
    }
  });

  it('costs nothing where the battery is kept full', () => {
    const asked = of({ ...sunOnly, dailyUse: { ...sunOnly.dailyUse, strategy: 'kept-full' } });
    const { givenWh, chargeWh } = dailyCharge(asked, 0);
    expect(givenWh).toBe(0);
    expect(Math.min(...chargeWh)).toBeCloseTo(asked.year.hardware.usableWh, 6);
  });

  it('follows prices: full before the evening, lower after it', () => {
    const asked = of({ ...sunOnly, dailyUse: { ...sunOnly.dailyUse, strategy: 'prices' } });
    const { chargeWh } = dailyCharge(asked, 0.2);
    // A Tuesday in February: 10 February 2026.
    expect(chargeWh[24 * 40 + 17]).toBeGreaterThan(chargeWh[24 * 40 + 21]!);
    expect(Math.min(...chargeWh)).toBeGreaterThanOrEqual(0.2 * asked.year.hardware.usableWh - 1e-6);
  });
});

it('a house with several meters has a bill of each', () => {
  const tariffs = sampleTariffs('EUR', '', false);
  const services = [
    { ...row.survey.services[0]!, tariffId: tariffs[0]!.id },
    { ...row.survey.services[0]!, id: 'second', name: 'Cellar', tariffId: tariffs[1]!.id },
  ];
  const plan = { ...row, tariffs, survey: { ...row.survey, services } };
  const { cases } = dailyResult(dailyHouse(plan, null, 60), { ...question(plan), stacks: {} });
  expect(cases[0]!.meters.map(({ meter, bill }) => [meter, bill?.currency])).toEqual([
    ['House connection', 'EUR'],
    ['Cellar', 'EUR'],
  ]);
});

it('what a meter measured goes before bills; gaps are filled from the list', () => {
  const netWh = new Float64Array(8760).fill(700);
  netWh.fill(NaN, 0, 240);
  const solarWh = new Float64Array(8760).fill(100);
  const measured = { intervalMin: 60 as const, netWh, solarWh, covered: 8520 / 8760 };
  const { meters, billScales, measuredShare } = dailyHouse(farm, null, 60, undefined, measured);
  expect([billScales, measuredShare]).toEqual([null, 8520 / 8760]);
  const { loadWh } = meters[0]!;
  expect(loadWh[5000]).toBe(800);
  const gap = loadWh.subarray(0, 240).reduce((sum, wh) => sum + wh, 0) / 240;
  expect(gap).toBeGreaterThan(400);
  expect(gap).toBeLessThan(2400);
  // Where the sun is not measured, that of the arrays which were there is behind the meter.
  const dark = dailyHouse(farm, null, 60, undefined, { ...measured, solarWh: null }).meters[0]!;
  const noon = 24 * 180 + 12;
  const barn = dark.arrays.find(({ array }) => array.existing)!.energyWh[noon]!;
  expect(dark.loadWh[noon]).toBeCloseTo(700 + barn, 6);
});
