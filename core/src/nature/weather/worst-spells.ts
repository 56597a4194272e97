import type { WeatherYear } from './weather-year.js';

/** A run of days with little sun. */
export interface Spell {
  readonly days: number;
  /** Day of the year on which it begins, 0 to 364; it may run over the end of the year. */
  readonly firstDay: number;
  /** Mean light of its days on a horizontal plane, Wh/m². */
  readonly meanWhPerM2: number;
}

/** Light of each day on a horizontal plane, 365 values in Wh/m². */
export function dailyLightWhPerM2({ globalWPerM2 }: Pick<WeatherYear, 'globalWPerM2'>): Float64Array {
  const days = new Float64Array(365);
  globalWPerM2.forEach((watts, hour) => {
    days[Math.floor(hour / 24)]! += watts;
  });
  return days;
}

/** The darkest run of so many days of a year that repeats, for each length asked for. */
export function worstSpells(year: Pick<WeatherYear, 'globalWPerM2'>, lengths: readonly number[]): Spell[] {
  const light = dailyLightWhPerM2(year);
  return lengths.map((days) => {
    let best: Spell = { days, firstDay: 0, meanWhPerM2: Infinity };
    for (let firstDay = 0; firstDay < 365; firstDay += 1) {
      let sum = 0;
      for (let i = 0; i < days; i += 1) sum += light[(firstDay + i) % 365]!;
      if (sum / days < best.meanWhPerM2) best = { days, firstDay, meanWhPerM2: sum / days };
    }
    return best;
  });
}
