import { describe, expect, it } from 'vitest';
import {
  dayMeansC,
  seasonOfDay,
  syntheticYear,
  typicalClimates,
  type WeatherYear,
} from '../../nature/index.js';
import { aLoad, allSeasons } from '../../house/testing/loads.js';
import { dayFactors } from './day-factors.js';
import { extremeDays, stormyDays } from './hard-days.js';
import { heatPumpCopShare } from './heat-pump-cop.js';
import { loadCycles } from './load-cycles.js';
import { everyHours, seasonWindows, startsOfBrief } from './season-windows.js';

const cold = syntheticYear(
  typicalClimates.find(({ id }) => id === 'central-europe')!,
  3,
);
const days = Array.from({ length: 365 }, (_, day) => day);
const winter = days.filter((day) => seasonOfDay(day, cold.latitudeDeg) === 'winter');
const means = dayMeansC(cold.temperatureC);
const lightOf = (day: number) => cold.globalWPerM2.slice(day * 24, day * 24 + 24).reduce((a, b) => a + b);

describe('a heat pump in the cold', () => {
  // AHRI 210/240 (recalled) rates at 47 °F and 17 °F; COP 3.6 and 2.4 there are common practice.
  it.each([
    ['47 °F', 8.3, 1],
    ['17 °F', -8.3, 2.4 / 3.6],
    ['halfway', 0, 3 / 3.6],
    ['no less than resistance heat', -60, 1 / 3.6],
  ])('gives at %s what the rating points say', (_, outdoorC, share) => {
    expect(heatPumpCopShare(outdoorC)).toBeCloseTo(share, 9);
  });

  it('takes more on cold days than degrees alone say, and the stated energy over the season', () => {
    const { heating, heatPump } = dayFactors(cold);
    const coldest = winter.reduce((best, day) => (means[day]! < means[best]! ? day : best));
    expect(heatPump[coldest]!).toBeGreaterThan(heating[coldest]! * 1.05);
    expect(winter.reduce((sum, day) => sum + heatPump[day]!, 0) / winter.length).toBeCloseTo(1, 9);
  });

  it('leaves backup heat off above freezing, and brings it in below', () => {
    const { backupHeat } = dayFactors(cold);
    for (const day of winter) {
      if (means[day]! >= 0) expect(backupHeat[day]).toBe(0);
      else expect(backupHeat[day]).toBeGreaterThan(0);
    }
  });
});

describe('hard days', () => {
  it.each([
    ['stormy', stormyDays(cold), (day: number) => lightOf(day)],
    ['extreme', extremeDays(cold), (day: number) => means[day]!],
  ])('%s ones are a tenth of the season: no other day of it is darker, or colder', (_, hard, rank) => {
    const chosen = winter.filter((day) => hard[day] === 1);
    expect(chosen).toHaveLength(Math.ceil(winter.length / 10));
    const worst = Math.max(...chosen.map(rank));
    for (const day of winter) if (hard[day] === 0) expect(rank(day)).toBeGreaterThanOrEqual(worst);
  });

  it('are the hottest in summer', () => {
    const summer = days.filter((day) => seasonOfDay(day, cold.latitudeDeg) === 'summer');
    const hard = extremeDays(cold);
    const hottest = summer.reduce((best, day) => (means[day]! > means[best]! ? day : best));
    expect(hard[hottest]).toBe(1);
  });

  it('are those on which outages begin where the job says so', () => {
    const hard = stormyDays(cold);
    for (const window of seasonWindows('winter', cold.latitudeDeg, 1440)) {
      const starts = startsOfBrief(window, 'stormy', cold);
      const dayOf = (hour: number) => (window.firstDay + Math.floor(hour / 24)) % 365;
      const all = everyHours(4)(window);
      expect(startsOfBrief(window, 'any', cold)).toEqual(all);
      expect(starts).toEqual(all.filter((hour) => hard[dayOf(hour)] === 1));
      expect(starts.length).toBeGreaterThan(0);
    }
  });

  it('make a pump that is bound to storms run as much longer as was said, up to all day', () => {
    const pump = aLoad({ use: allSeasons({ nightH: 0.8, morningH: 0.4, dayH: 0.6, eveningH: 0.6 }) });
    const minutesOn = (stormFactor: number | null, weather: WeatherYear, day: number): number => {
      const load = { ...pump, stormFactor };
      const spans = loadCycles(load, 1, weather.latitudeDeg, dayFactors(weather)).onDay(day);
      return spans.reduce((sum, at, i) => sum + (i % 2 === 1 ? at : -at), 0);
    };
    const hard = stormyDays(cold);
    for (const day of winter.slice(0, 60)) {
      const usual = minutesOn(null, cold, day);
      expect(usual).toBeCloseTo(2.4 * 60, 6);
      expect(minutesOn(5, cold, day)).toBeCloseTo(hard[day] === 1 ? 5 * usual : usual, 6);
      if (hard[day] === 1) expect(minutesOn(50, cold, day)).toBeCloseTo(1440, 6);
    }
  });
});
