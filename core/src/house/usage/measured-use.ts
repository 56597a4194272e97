import { dayPartFacts } from '../loads/day-parts.js';
import { dayParts, type HoursOfUse, type Load } from '../loads/load.schema.js';
import { type Season, seasons } from '../../nature/index.js';
import { localTimes } from '../../nature/index.js';
import { gap, milliToW, type Channel, type Readings } from './readings.js';

/** How a circuit was used, by measurement. */
export interface MeasuredUse {
  /** Mean power while something runs. */
  readonly runningPowerW: number;
  /** Hours a day at that power, by part of the day; seasons without data have those of the others. */
  readonly use: Load['use'];
  readonly peakW: number;
}

/** Meteorological seasons of the northern half of the earth; the southern half is half a year away. */
export function seasonOfMonth(month: number, southern: boolean): Season {
  const northern = southern ? (month + 6) % 12 : month;
  if (northern === 11 || northern < 2) return 'winter';
  return northern >= 5 && northern < 8 ? 'summer' : 'shoulder';
}

/** A circuit runs where it draws more than this share of its usual high. */
const runningShare = 0.4;
const leastW = 3;

/**
 * Running power and hours of use of a channel: the running power is the mean of the values well above nothing, the hours are such
 * that the measured energy of each part of the day comes out exactly (or the part is full).
 *
 * @param southern the house stands south of the equator
 * @returns null where the channel never draws anything
 */
export function measuredUse(
  channel: Channel,
  readings: Readings,
  zone: string,
  southern: boolean,
): MeasuredUse | null {
  const { startS, intervalS, count } = readings;
  const factor = milliToW(channel, intervalS);
  const times = localTimes(startS, intervalS, count, zone);
  const values = Float32Array.from(channel.milli, (value) => (value === gap ? NaN : value * factor));
  const drawn = values.filter((value) => value > leastW).sort();
  if (drawn.length === 0) return null;
  const highW = drawn[Math.floor(0.95 * (drawn.length - 1))]!;
  let [onSum, on] = [0, 0];
  for (const value of values) {
    if (value >= Math.max(leastW, runningShare * highW)) {
      onSum += value;
      on += 1;
    }
  }
  const partOf = new Uint8Array(24);
  dayParts.forEach((part, index) => {
    for (const hour of dayPartFacts[part].hours) partOf[hour] = index;
  });
  const sums = seasons.map(() => dayParts.map(() => 0));
  const counts = seasons.map(() => dayParts.map(() => 0));
  const seasonIndex = Array.from({ length: 12 }, (_, month) =>
    seasons.indexOf(seasonOfMonth(month, southern)),
  );
  for (let i = 0; i < count; i += 1) {
    if (Number.isNaN(values[i]!)) continue;
    const season = seasonIndex[times.month[i]!]!;
    const part = partOf[times.hour[i]!]!;
    sums[season]![part]! += Math.max(0, values[i]!);
    counts[season]![part]! += 1;
  }
  // A part of the day in which more is drawn than the running power allows lifts the running power.
  let runningPowerW = onSum / on;
  sums.forEach((bySeason, s) =>
    bySeason.forEach((sum, p) => {
      if (counts[s]![p]! > 0) runningPowerW = Math.max(runningPowerW, sum / counts[s]![p]!);
    }),
  );
  const hoursOf = (s: number): HoursOfUse | null => {
    if (counts[s]!.every((n) => n === 0)) return null;
    const hours = { nightH: 0, morningH: 0, dayH: 0, eveningH: 0 };
    dayParts.forEach((part, p) => {
      const { field, hours: all } = dayPartFacts[part];
      const meanW = counts[s]![p]! > 0 ? sums[s]![p]! / counts[s]![p]! : 0;
      hours[field] = Math.min(all.length, (meanW / runningPowerW) * all.length);
    });
    return hours;
  };
  const known = seasons.map((_, s) => hoursOf(s));
  const any = known.find((hours) => hours !== null)!;
  const shoulder = known[seasons.indexOf('shoulder')] ?? any;
  const use = Object.fromEntries(
    seasons.map((season, s) => [season, { ...(known[s] ?? shoulder) }]),
  ) as Load['use'];
  return { runningPowerW, use, peakW: drawn.at(-1)! };
}

/**
 * A load with measured figures: one load on a circuit takes them as they are; of several, each keeps its share of the energy and
 * its power, and its hours are scaled.
 *
 * @param circuitLoads all loads on the circuit
 * @param day the day of measurement, "2026-02-28"
 */
export function withMeasuredUse(
  load: Load,
  circuitLoads: readonly Load[],
  measured: MeasuredUse,
  day: string,
): Load {
  const marked = { basis: 'measured' as const, measuredOn: day };
  if (circuitLoads.length === 1) {
    return {
      ...load,
      ...marked,
      runningPowerW: Math.round((measured.runningPowerW / load.quantity) * 10) / 10,
      dutyCycle: 1,
      use: measured.use,
    };
  }
  const use = Object.fromEntries(
    seasons.map((season) => {
      const hours = { ...load.use[season] };
      for (const part of dayParts) {
        const { field, hours: all } = dayPartFacts[part];
        const assumedWh = circuitLoads.reduce(
          (sum, one) => sum + one.quantity * one.runningPowerW * one.dutyCycle * one.use[season][field],
          0,
        );
        const measuredWh = measured.runningPowerW * measured.use[season][field];
        // Where nobody assumed any use, all of them are taken to run as long as each other.
        const fullW = circuitLoads.reduce(
          (sum, one) => sum + one.quantity * one.runningPowerW * one.dutyCycle,
          0,
        );
        const wanted =
          assumedWh > 0 ? hours[field] * (measuredWh / assumedWh) : measuredWh / Math.max(1, fullW);
        hours[field] = Math.min(all.length, wanted);
      }
      return [season, hours];
    }),
  ) as Load['use'];
  return { ...load, ...marked, use };
}
