import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtHouse, builtPlan } from '../../commissioning/details.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { dailyLightWhPerM2, dayMeansC } from '../../nature/index.js';
import { seedsOf } from '../../study/index.js';
import { outageWeather, playOutage, studyYear } from '../../study/details.js';
import { minuteOfYear } from '../replay/minute-of-year.js';
import type { DayAhead, OutageAsked } from './houses-question.schema.js';
import { outageAhead } from './outage-ahead.js';
import { weatherAhead } from './weather-ahead.js';

const house = builtHouse(builtPlan());
const { plan } = house.design;
const asked = {
  plan,
  islandId: house.islandId,
  parts: house.design.islands[0]!.stack!.parts,
  weather: null,
};
const tonight: OutageAsked = { from: '2026-11-29T23:00:00Z', hours: 72, startCharge: null, days: [] };
const ahead = (more: Partial<OutageAsked> = {}) =>
  outageAhead(asked, { ...tonight, ...more }, builtInCatalogue)!;
const all = (day: DayAhead): DayAhead[] => Array.from({ length: 4 }, () => day);

describe('an outage that has not happened', () => {
  it('is the one every stage plays, to the last minute, where no weather is said', () => {
    // The plan that was built has no day of its own yet: its battery counts as new.
    const asNew = { ...plan, brief: { ...plan.brief, sizeForYear: 0 } };
    const runs = seedsOf(asNew).map((seed) => {
      const year = studyYear({ ...asked, plan: asNew }, builtInCatalogue, seed)!;
      return playOutage(year, minuteOfYear(tonight.from, year.weather.zoneH), 72 * 60);
    });
    const hours = runs.map(({ survivedMin }) => Math.min(72, survivedMin / 60));
    const told = ahead();
    expect(told.years).toBe(runs.length);
    expect(told.held).toBe(hours.filter((lit) => lit === 72).length);
    expect(told.leastH).toBe(Math.min(...hours));
    expect(told.meanH).toBeCloseTo(hours.reduce((sum, lit) => sum + lit, 0) / hours.length, 9);
    expect(told.lowestCharge).toBe(Math.min(...runs.map(({ lowestCharge }) => lowestCharge)));
  });

  it('goes worse under a dull sky than under a clear one, and says why', () => {
    const dull = ahead({ days: all({ outdoorC: 3, sky: 'dull' }) });
    const clear = ahead({ days: all({ outdoorC: 15, sky: 'clear' }) });
    expect(dull.held).toBeLessThan(clear.held);
    expect(dull.meanH).toBeLessThan(clear.meanH);
    expect(dull.sunWhPerDay).toBeLessThan(0.5 * clear.sunWhPerDay);
    expect([dull.cause, clear.cause]).toEqual(['empty', 'none']);
  });

  it('lasts as long as the battery holds what the house wants, where there is no sun', () => {
    const dark = { ...plan, sources: { ...plan.sources, arrays: [], generator: null, vehicle: null } };
    const told = outageAhead({ ...asked, plan: dark }, { ...tonight, startCharge: 0.5 }, builtInCatalogue)!;
    // By hand: half the usable energy over what is wanted in these hours; losses and stand-by take the rest.
    const byHandH = (0.5 * told.usableWh) / (told.wantedWhPerDay / 24);
    expect(told.sunWhPerDay).toBe(0);
    expect(told.meanH).toBeLessThan(byHandH * 1.25);
    expect(told.meanH).toBeGreaterThan(byHandH * 0.5);
  });

  it('lasts no shorter with more in the battery', () => {
    const hours = [0.1, 0.3, 0.6, 1].map((startCharge) => ahead({ startCharge }).meanH);
    expect(hours).toEqual(hours.toSorted((a, b) => a - b));
  });

  it('goes worse with an older battery', () => {
    const builtIn = (on: string) => ({
      ...plan,
      course: { ...plan.course, steps: [{ id: 'commissioned' as const, on, by: '', note: '' }] },
    });
    const hoursOf = (on: string) =>
      outageAhead({ ...asked, plan: builtIn(on) }, tonight, builtInCatalogue)!.usableWh;
    expect(hoursOf('2016-11-29')).toBeLessThan(hoursOf('2026-11-01'));
    // Nobody reckons with older ones than these.
    expect(hoursOf('1950-01-01')).toBe(hoursOf('1999-01-01'));
  });

  it('of units that do not go together is told by nobody', () => {
    expect(outageAhead({ ...asked, parts: [] }, tonight, builtInCatalogue)).toBeNull();
  });
});

describe('weather that is said', () => {
  const usual = outageWeather(plan, null, 3);
  it('is what the days have then, whatever day it begins on; others are as they were', () => {
    const day = fc.record({
      outdoorC: fc.option(fc.double({ min: -30, max: 40, noNaN: true })),
      sky: fc.constantFrom(null, 'clear' as const, 'mixed' as const, 'dull' as const),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 525_599 }),
        fc.array(day, { maxLength: 4 }),
        (fromMinute, days) => {
          const met = weatherAhead(usual, fromMinute, days);
          const first = Math.floor(fromMinute / 1440);
          const [meansC, usualC] = [dayMeansC(met.temperatureC), dayMeansC(usual.temperatureC)];
          const [light, usualLight] = [dailyLightWhPerM2(met), dailyLightWhPerM2(usual)];
          for (let ahead = 0; ahead < 365; ahead += 1) {
            const at = (first + ahead) % 365;
            const said = days[ahead];
            expect(meansC[at]).toBeCloseTo(said?.outdoorC ?? usualC[at]!, 6);
            if (!said?.sky) expect(light[at]).toBeCloseTo(usualLight[at]!, 6);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('has as much light on a clear day as the clear ones around it, and as little on a dull one', () => {
    const at = 200 * 1440;
    const lightOf = (sky: DayAhead['sky']) =>
      dailyLightWhPerM2(weatherAhead(usual, at, [{ outdoorC: null, sky }]))[200]!;
    const around = Array.from(dailyLightWhPerM2(usual).slice(180, 221)).toSorted((a, b) => a - b);
    const rankOf = (light: number): number => around.filter((one) => one < light - 1e-6).length / 40;
    expect(rankOf(lightOf('clear'))).toBeCloseTo(0.9, 1);
    expect(rankOf(lightOf('mixed'))).toBeCloseTo(0.5, 1);
    expect(rankOf(lightOf('dull'))).toBeCloseTo(0.1, 1);
  });
});
