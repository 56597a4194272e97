import { describe, expect, it } from 'vitest';
import { dayMeansC, syntheticYear, typicalClimates } from '../../nature/index.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { anArray, anOutageYear } from '../testing/outages.js';
import { playOutage } from './play-outage.js';
import { hourlyArrayW } from './sun-trace.js';

const weather = syntheticYear(
  typicalClimates.find(({ id }) => id === 'central-europe')!,
  3,
);
const noon = (190 * 24 + 12) * 60;

describe('solar inverters that wait for a grid', () => {
  const load = aLoad({ runningPowerW: 5000, use: allSeasons(aroundTheClock), legs: 'L1-L2' });
  /** Sun that is used in each of the first minutes of an outage at a summer noon. */
  const used = (...waits: (number | null)[]) => {
    const arrays = waits.map((returnsAfterMin, i) =>
      anArray({ id: `a${i}`, ratedW: 2000, inverterW: 2000, returnsAfterMin }),
    );
    const year = anOutageYear({ loads: [load], weather, outage: { arrays } });
    return playOutage(year, noon, 30).sunUsedW;
  };

  it('feed each after its own time', () => {
    const [both, quick, slow] = [used(1, 8), used(1), used(8)];
    for (let minute = 0; minute < 20; minute += 1) {
      expect(quick[minute]! > 0, `quick, minute ${minute}`).toBe(minute >= 1);
      expect(slow[minute]! > 0, `slow, minute ${minute}`).toBe(minute >= 8);
      expect(both[minute]!).toBeCloseTo(quick[minute]! + slow[minute]!, 1);
    }
  });

  it('wait five minutes where nothing is said (IEEE 1547-2018, recalled)', () => {
    expect([...used(null).slice(0, 6)].map((watts) => watts > 0)).toEqual([
      false,
      false,
      false,
      false,
      false,
      true,
    ]);
  });
});

describe('snow', () => {
  it('takes all light on days below freezing where it lies, and none from a steep array', () => {
    const flat = anArray({ tiltDeg: 30 });
    const [clear, covered] = [hourlyArrayW(flat, weather, 'slides'), hourlyArrayW(flat, weather, 'lies')];
    const means = dayMeansC(weather.temperatureC);
    clear.forEach((watts, hour) => expect(covered[hour]).toBe(means[Math.floor(hour / 24)]! < 0 ? 0 : watts));
    expect(covered.some((watts, hour) => watts !== clear[hour])).toBe(true);
    const steep = anArray({ tiltDeg: 65 });
    expect(hourlyArrayW(steep, weather, 'lies')).toEqual(hourlyArrayW(steep, weather, 'slides'));
  });
});
