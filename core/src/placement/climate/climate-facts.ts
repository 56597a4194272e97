import type { Plan } from '../../design/index.js';
import { monthDays, monthOf, type WeatherYear } from '../../nature/index.js';
import type { PlacedThing } from '../things/placed-things.js';
import { heated, thingClimate } from './placed-climate.js';
import { powerLeftAt } from './power-left.js';

/** Sun and temperature of a placed unit, as a year sums up. */
export interface ClimateFacts {
  readonly thingId: string;
  /** Mean hours of direct sun a day, by month; null = it gets none, or nobody knows where the wall faces. */
  readonly sunHByMonth: readonly number[] | null;
  /** Light on its front by month, Wh/m² a day; null as above. */
  readonly lightWhByMonth: readonly number[] | null;
  /** Of the sunniest of three months of summer; null as above. */
  readonly summerSunH: number | null;
  readonly hottestC: number;
  readonly coldestC: number;
  /** Hours below freezing, of the cells where a heater warms them. */
  readonly coldH: number;
  readonly hotH: number;
  readonly powerLeft: number;
  /** Energy its heater takes in the year, Wh; null = it has none. */
  readonly heaterWh: number | null;
}

/** Sums up a year of sun and temperature for a thing on its wall. */
export function climateFacts(
  plan: Pick<Plan, 'lot' | 'placement'>,
  placed: PlacedThing,
  weather: WeatherYear,
): ClimateFacts {
  const { sun, cabinetC, lightWPerM2 } = thingClimate(plan, placed, weather);
  const body = placed.thing.unit?.body;
  const warmed = heated(cabinetC, body?.heaterW ?? null);
  const derateFromC = body?.derateAboveC ?? body?.hottestC ?? Infinity;
  let [hottestC, coldestC, coldH, hotH] = [-Infinity, Infinity, 0, 0];
  const lightWhByMonth = sun && new Array<number>(12).fill(0);
  for (let hour = 0; hour < cabinetC.length; hour += 1) {
    const c = cabinetC[hour]!;
    hottestC = Math.max(hottestC, c);
    coldestC = Math.min(coldestC, c);
    if (warmed.cellC[hour]! < 0) coldH += 1;
    if (c > derateFromC) hotH += 1;
    if (lightWhByMonth && lightWPerM2) {
      const month = monthOf(Math.floor(hour / 24));
      lightWhByMonth[month]! += lightWPerM2[hour]! / monthDays[month]!;
    }
  }
  const summer = weather.latitudeDeg < 0 ? [11, 0, 1] : [5, 6, 7];
  return {
    thingId: placed.thing.id,
    sunHByMonth: sun?.hoursByMonth ?? null,
    lightWhByMonth,
    summerSunH: sun && Math.max(...summer.map((month) => sun.hoursByMonth[month]!)),
    hottestC,
    coldestC,
    coldH,
    hotH,
    powerLeft: body ? powerLeftAt(body, hottestC) : 1,
    heaterWh: warmed.heaterW ? warmed.heaterW.reduce((sum, watts) => sum + watts, 0) : null,
  };
}
