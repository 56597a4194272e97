import { extraterrestrialDayWhPerM2, extraterrestrialWPerM2 } from '../sun/extraterrestrial.js';
import { clearSkyWPerM2, splitGlobal } from '../sun/sky.js';
import { sunPosition } from '../sun/sun-position.js';
import { clearnessAt, clearnessSpread } from './clearness-distribution.js';
import type { Climate } from './climates.js';
import { normalShare, seededNormal, seededRandom } from '../../base/index.js';
import { hoursOfYear, midHourMs, monthDays, monthOf, type WeatherYear } from './weather-year.js';

/** Correlation of one day's clearness with the day before, as a normal score: Graham, Hollands and Huget (1988), recalled. */
const clearnessMemory = 0.29;
/** The same for the temperature of a day (common practice, no source), and how far days stray from the month's mean, °C. */
const temperatureMemory = 0.7;
const temperatureStrayC = 3.5;

/** A day's value between the middles of the months, so that there is no step from one to the next. */
function monthlyAt(values: readonly number[], day: number): number {
  const month = monthOf(day);
  const before = monthDays.slice(0, month).reduce((sum, days) => sum + days, 0);
  const along = (day + 0.5 - before) / monthDays[month]! - 0.5;
  const other = values[(month + (along < 0 ? 11 : 1)) % 12]!;
  return values[month]! + (other - values[month]!) * Math.abs(along);
}

/**
 * A year of weather for a climate: every day's clearness is drawn from the distribution of its month, each day a little like
 * the one before (first-order autoregression of normal scores, Graham, Hollands and Huget 1988); within a day the light follows
 * the clear sky; temperature strays from the month's mean with a memory of its own, is lower under a clear night and higher
 * by day.
 *
 * @param seed chooses the year; the same seed gives the same year
 */
export function syntheticYear(climate: Climate, seed: number): WeatherYear {
  const { latitudeDeg, longitudeDeg, altitudeM, zoneH } = climate;
  const normal = seededNormal(seededRandom(seed));
  const globalWPerM2 = new Float64Array(hoursOfYear);
  const beamWPerM2 = new Float64Array(hoursOfYear);
  const diffuseWPerM2 = new Float64Array(hoursOfYear);
  const temperatureC = new Float64Array(hoursOfYear);
  let sunScore = normal();
  let warmScore = normal();
  for (let day = 0; day < 365; day += 1) {
    sunScore = clearnessMemory * sunScore + Math.sqrt(1 - clearnessMemory ** 2) * normal();
    warmScore = temperatureMemory * warmScore + Math.sqrt(1 - temperatureMemory ** 2) * normal();
    const spread = clearnessSpread(monthlyAt(climate.clearness, day));
    const clearness = clearnessAt(normalShare(sunScore), spread);
    const outsideWPerM2 = extraterrestrialWPerM2(day + 1);
    const suns = Array.from({ length: 24 }, (_, hour) =>
      sunPosition(midHourMs(day * 24 + hour, zoneH), { latitudeDeg, longitudeDeg, altitudeM }),
    );
    const zeniths = suns.map(({ zenithDeg }) => zenithDeg);
    const dayWhPerM2 = clearness * extraterrestrialDayWhPerM2(day + 1, latitudeDeg, suns[12]!.declinationDeg);
    const clear = zeniths.map(clearSkyWPerM2);
    const clearWhPerM2 = clear.reduce((sum, watts) => sum + watts, 0);
    const meanC = monthlyAt(climate.temperatureC, day) + temperatureStrayC * warmScore;
    const swingC = climate.dailySwingC * (0.5 + clearness);
    for (let hour = 0; hour < 24; hour += 1) {
      const at = day * 24 + hour;
      const global = clearWhPerM2 > 0 ? (clear[hour]! / clearWhPerM2) * dayWhPerM2 : 0;
      const sky = splitGlobal(global, zeniths[hour]!, outsideWPerM2);
      globalWPerM2[at] = sky.globalWPerM2;
      beamWPerM2[at] = sky.beamWPerM2;
      diffuseWPerM2[at] = sky.diffuseWPerM2;
      // Warmest in the middle of the afternoon.
      temperatureC[at] = meanC + (swingC / 2) * Math.cos(((hour + 0.5 - 15) / 12) * Math.PI);
    }
  }
  return {
    name: climate.name,
    latitudeDeg,
    longitudeDeg,
    altitudeM,
    zoneH,
    globalWPerM2,
    beamWPerM2,
    diffuseWPerM2,
    temperatureC,
    source: `synthetic year ${seed} from monthly means`,
  };
}
