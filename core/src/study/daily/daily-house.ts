import { outageSettingsOf, type Plan, type SolarArray } from '../../design/index.js';
import type { WeatherYear } from '../../nature/index.js';
import { type PriceCalendar, priceCalendar } from '../../tariff/details.js';
import type { Tariff } from '../../tariff/index.js';
import { KeptYear } from '../outage/kept-year.js';
import { hourlyArrayW } from '../outage/sun-trace.js';
import { billScale, scaledByMonth } from './bill-scale.js';
import { loadYear } from './load-year.js';
import { type Meter, metersOf } from './meters.js';
import { stormIntervals } from './storm-hours.js';
import { turned, type YearClock, yearClock } from './year-clock.js';
import { type IntervalMin, spreadHours } from './year-grid.js';

/** An array through a year of the house's clock, Wh in each interval, before anything clips it. */
export interface ArrayYear {
  readonly array: SolarArray;
  readonly energyWh: Float64Array;
}

/** A meter through a year, whatever is designed behind it. */
export interface MeterYear {
  readonly meter: Meter;
  readonly tariff: Tariff | null;
  readonly calendar: PriceCalendar | null;
  readonly loadWh: Float64Array;
  readonly arrays: readonly ArrayYear[];
}

/** A house through a year with the grid there. */
export interface DailyHouse {
  readonly intervalMin: IntervalMin;
  readonly clock: YearClock;
  readonly meters: readonly MeterYear[];
  readonly storms: Uint8Array;
  /** By how much the load list was stretched in each month to come to the bills; null = there are none. */
  readonly billScales: readonly number[] | null;
}

/**
 * Prepares a year with the grid there: what is taken behind each meter and what its arrays give, on the clock of the house. The energy is that of
 * the bills where there are any, in the shape of the load list.
 *
 * @param kept what is known already of the year of the plan's seed
 */
export function dailyHouse(
  plan: Plan,
  weather: WeatherYear | null,
  intervalMin: IntervalMin,
  kept: KeptYear = new KeptYear(plan.outage.seed),
): DailyHouse {
  const met = kept.weather(plan, weather);
  const clock = yearClock(plan.site, intervalMin);
  const snow = outageSettingsOf(plan).snow.value;
  const listed = metersOf(plan).map((meter): MeterYear => {
    const tariff = plan.tariffs.find(({ id }) => id === meter.service?.tariffId) ?? null;
    return {
      meter,
      tariff,
      calendar: tariff && priceCalendar(tariff, clock.grid),
      loadWh: loadYear(meter.loads, (load) => kept.cyclesOf(load, 1), intervalMin),
      arrays: meter.arrays.map((array) => ({
        array,
        energyWh: spreadHours(hourlyArrayW(array, met, snow), intervalMin),
      })),
    };
  });
  const { bills } = plan.usage;
  const sum = (of: readonly Float64Array[]): Float64Array =>
    listed[0]!.loadWh.map((_, i) => of.reduce((all, one) => all + one[i]!, 0));
  // The bills are those of the house: all its meters together.
  const scales =
    bills.length === 0
      ? null
      : billScale(
          sum(listed.map(({ loadWh }) => loadWh)),
          sum(
            listed.flatMap(({ arrays }) =>
              arrays.filter(({ array }) => array.existing).map(({ energyWh }) => energyWh),
            ),
          ),
          bills,
        );
  return {
    intervalMin,
    clock,
    billScales: scales,
    storms: turnedMarks(stormIntervals(kept.factors.stormy, intervalMin), clock),
    meters: listed.map((one) => ({
      ...one,
      loadWh: turned(scales ? scaledByMonth(one.loadWh, scales) : one.loadWh, clock),
      arrays: one.arrays.map(({ array, energyWh }) => ({ array, energyWh: turned(energyWh, clock) })),
    })),
  };
}

const turnedMarks = (marks: Uint8Array, clock: YearClock): Uint8Array =>
  Uint8Array.from(turned(Float64Array.from(marks), clock));
