import {
  dailyLightWhPerM2,
  dayMeansC,
  type Season,
  seasonOfDay,
  seasons,
  type WeatherYear,
} from '../../nature/index.js';

/** Share of the days of a season that count as hard. */
const hardShare = 0.1;

/** 1 on the tenth of the days of each season with the highest rank. */
function hardest(rankOf: (day: number, season: Season) => number, latitudeDeg: number): Uint8Array {
  const hard = new Uint8Array(365);
  for (const season of seasons) {
    const days = Array.from(hard.keys()).filter((day) => seasonOfDay(day, latitudeDeg) === season);
    const ranked = days.toSorted((a, b) => rankOf(b, season) - rankOf(a, season));
    for (const day of ranked.slice(0, Math.ceil(days.length * hardShare))) hard[day] = 1;
  }
  return hard;
}

/** Days of storm: the tenth of each season with the least light, since storms are not in the weather (a stated assumption). */
export function stormyDays(weather: Pick<WeatherYear, 'globalWPerM2' | 'latitudeDeg'>): Uint8Array {
  const light = dailyLightWhPerM2(weather);
  return hardest((day) => -light[day]!, weather.latitudeDeg);
}

/** Days of extreme temperature: the coldest tenth of each season, in summer the hottest. */
export function extremeDays({
  temperatureC,
  latitudeDeg,
}: Pick<WeatherYear, 'temperatureC' | 'latitudeDeg'>): Uint8Array {
  const means = dayMeansC(temperatureC);
  return hardest((day, season) => (season === 'summer' ? means[day]! : -means[day]!), latitudeDeg);
}
