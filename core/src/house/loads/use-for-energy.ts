import { type Season, seasons } from '../../nature/index.js';
import { dayPartFacts } from './day-parts.js';
import { type DayPart, dayParts, type HoursOfUse, type Load } from './load.schema.js';

/**
 * What is used in a house apart from what is listed, hour by hour, against its mean: least at night, most in the evening (common
 * practice, no source).
 */
const usualShape: Readonly<Record<DayPart, number>> = { night: 0.65, morning: 1.1, day: 0.95, evening: 1.45 };

/** No load of a job is larger. */
const mostW = 50_000;

const weightH = dayParts.reduce((sum, part) => sum + usualShape[part] * dayPartFacts[part].hours.length, 0);

/**
 * What of a day of a house without a profile falls into some clock hours, Wh.
 *
 * @param dayWh energy of the day, Wh
 * @param hours clock hours, 0 to 23
 */
export const usualShareWh = (dayWh: number, hours: readonly number[]): number =>
  hours.reduce((sum, hour) => {
    const part = dayParts.find((one) => dayPartFacts[one].hours.includes(hour))!;
    return sum + meanW(dayWh, part);
  }, 0);

/** Mean power in a part of the day that gives an energy a day, W. */
const meanW = (dayWh: number, part: DayPart): number => (dayWh / weightH) * usualShape[part];

/**
 * Running power and hours of use of a load without a profile of its own that take a given energy on a day of each season, spread
 * over the day as a house usually is: at its highest in the evening of its heaviest season, where it runs all the time.
 *
 * @param dayWh energy on a day of each season, Wh; negative counts as 0
 */
export function useForEnergy(
  dayWh: Readonly<Record<Season, number>>,
): Pick<Load, 'runningPowerW' | 'use' | 'dutyCycle' | 'quantity'> {
  const wanted = (season: Season): number => Math.max(0, dayWh[season]);
  const runningPowerW = Math.min(
    mostW,
    Math.max(...seasons.flatMap((season) => dayParts.map((part) => meanW(wanted(season), part)))),
  );
  const hoursOf = (season: Season): HoursOfUse => {
    const hours = { nightH: 0, morningH: 0, dayH: 0, eveningH: 0 };
    for (const part of dayParts) {
      const { field, hours: all } = dayPartFacts[part];
      const share = runningPowerW > 0 ? meanW(wanted(season), part) / runningPowerW : 0;
      hours[field] = Math.min(1, share) * all.length;
    }
    return hours;
  };
  return {
    quantity: 1,
    dutyCycle: 1,
    runningPowerW,
    use: Object.fromEntries(seasons.map((season) => [season, hoursOf(season)])) as Load['use'],
  };
}
