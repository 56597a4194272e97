import { outageSettingsOf, type Plan, type SolarArray } from '../../design/index.js';
import type { MeasuredYear } from '../../house/details.js';
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
  /** Share of the year that is measured; null = nothing is. */
  readonly measuredShare: number | null;
}

/**
 * Prepares a year with the grid there: what is taken behind each meter and what its arrays give, on the clock of the house. The energy is what was
 * measured; else that of the bills, in the shape of the load list; else that of the load list.
 *
 * @param kept what is known already of the year of the plan's seed
 * @param measured a year of the meter, in intervals of the same length
 */
export function dailyHouse(
  plan: Plan,
  weather: WeatherYear | null,
  intervalMin: IntervalMin,
  kept: KeptYear = new KeptYear(plan.outage.seed),
  measured: MeasuredYear | null = null,
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
  // Bills and readings are those of the house: all its meters together.
  const loadWh = summed(listed.map((one) => one.loadWh));
  const sunBeforeWh = summed([
    new Float64Array(loadWh.length),
    ...listed.flatMap(({ arrays }) =>
      arrays.filter(({ array }) => array.existing).map(({ energyWh }) => energyWh),
    ),
  ]);
  const { bills } = plan.usage;
  const isMeasured = measured?.intervalMin === intervalMin;
  const scales = isMeasured || bills.length === 0 ? null : billScale(loadWh, sunBeforeWh, bills);
  const houseWh = isMeasured
    ? measuredLoad(measured, loadWh, sunBeforeWh)
    : scales
      ? scaledByMonth(loadWh, scales)
      : loadWh;
  /** Of a meter: its share of the listed energy in that interval; where nothing is listed, of the year. */
  const listedWh = total(loadWh);
  const ofMeter = (one: MeterYear): Float64Array => {
    const share = listedWh > 0 ? total(one.loadWh) / listedWh : 1 / listed.length;
    return listed.length === 1
      ? houseWh
      : houseWh.map((wh, i) => wh * (loadWh[i]! > 0 ? one.loadWh[i]! / loadWh[i]! : share));
  };
  return {
    intervalMin,
    clock,
    billScales: scales,
    measuredShare: isMeasured ? measured.covered : null,
    storms: turnedMarks(stormIntervals(kept.factors.stormy, intervalMin), clock),
    meters: listed.map((one) => ({
      ...one,
      loadWh: turned(ofMeter(one), clock.shift),
      arrays: one.arrays.map(({ array, energyWh }) => ({ array, energyWh: turned(energyWh, clock.shift) })),
    })),
  };
}

const total = (energyWh: Float64Array): number => energyWh.reduce((sum, wh) => sum + wh, 0);
const summed = (of: readonly Float64Array[]): Float64Array =>
  of[0]!.map((_, i) => of.reduce((sum, one) => sum + one[i]!, 0));

/**
 * What the house takes, from its meter: what went through it and the sun behind it, measured or of the arrays that were there. Gaps are filled with
 * the load list, stretched as the measured hours are.
 */
function measuredLoad(
  { netWh, solarWh }: MeasuredYear,
  listedWh: Float64Array,
  sunBeforeWh: Float64Array,
): Float64Array {
  const loadWh = netWh.map((wh, i) => Math.max(0, wh + (solarWh ?? sunBeforeWh)[i]!));
  let [measured, listed] = [0, 0];
  for (let i = 0; i < loadWh.length; i += 1) {
    if (Number.isNaN(loadWh[i]!)) continue;
    measured += loadWh[i]!;
    listed += listedWh[i]!;
  }
  const stretch = listed > 0 ? measured / listed : 1;
  return loadWh.map((wh, i) => (Number.isNaN(wh) ? stretch * listedWh[i]! : wh));
}

const turnedMarks = (marks: Uint8Array, clock: YearClock): Uint8Array =>
  Uint8Array.from(turned(Float64Array.from(marks), clock.shift));
