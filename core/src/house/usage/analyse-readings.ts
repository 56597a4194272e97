import { houseDemand } from './house-demand.js';
import { clockText, localTimes, type LocalTimes } from '../../nature/index.js';
import { gap, milliToW, type Channel, type ChannelRole, type Readings } from './readings.js';

export interface Stretch {
  readonly from: string;
  readonly to: string;
  readonly hours: number;
}

/** What one channel says, its faults included. */
export interface ChannelAnalysis {
  readonly name: string;
  readonly role: ChannelRole;
  readonly energyWh: number;
  readonly meanW: number;
  readonly peakW: number;
  readonly missing: number;
  /** Share of the values that are clearly negative. */
  readonly negativeShare: number;
  /** Mostly negative although nothing behind it feeds back: the sensor sits the wrong way round. */
  readonly turnedRound: boolean;
  /** Longest stretch with one and the same value that is not zero. */
  readonly frozen: Stretch | null;
}

export interface MonthAnalysis {
  /** "2026-02" */
  readonly month: string;
  readonly days: number;
  readonly energyWh: number;
  readonly highestDayWh: number;
  readonly lowestDayWh: number;
}

/** What meter data yields. Powers in W on the clock of the house. */
export interface UsageAnalysis {
  readonly from: 'meter' | 'mains' | 'circuits';
  readonly fromDay: string;
  readonly toDay: string;
  readonly days: number;
  readonly intervalS: number;
  readonly values: number;
  readonly energyWh: number;
  readonly exportWh: number;
  readonly meanW: number;
  /** Below this the house is for 5 % of the time. */
  readonly baseW: number;
  /** Share of the energy used from 22 to 6. */
  readonly nightShare: number;
  /** Demand that is passed for 0, 1 … 100 % of the time. */
  readonly duration: readonly number[];
  /** Mean demand by month and hour; null where there is no data. */
  readonly heat: readonly (readonly (number | null)[])[];
  /** Mean demand by weekday (from Monday) and hour. */
  readonly week: readonly (readonly (number | null)[])[];
  /** Highest mean over a quarter of an hour, or over an interval where that is longer. */
  readonly highestW: number;
  /** On the clock of the house. */
  readonly highestAt: string;
  /** The same moment in UTC, seconds since 1970. */
  readonly highestUtcS: number;
  readonly months: readonly MonthAnalysis[];
  /** Mean energy sent to the grid in each hour of a day, Wh; null where nothing is sent. */
  readonly exportByHourWh: readonly number[] | null;
  /** Peak of the sum, sum of the peaks of the circuits, and their ratio; null with fewer than two circuits. */
  readonly diversity: {
    readonly peakOfSumW: number;
    readonly sumOfPeaksW: number;
    readonly factor: number;
  } | null;
  /** What the mains measured and no circuit explains, Wh; null where either is missing. */
  readonly unmeteredWh: number | null;
  readonly gaps: readonly Stretch[];
  readonly channels: readonly ChannelAnalysis[];
}

const quarterS = 900;
/** Values below this are noise of a sensor. */
const noiseW = 5;
/** Small steady loads look frozen by nature. */
const leastFrozenW = 20;
const maxGaps = 200;
/** As long as this nothing but a fault draws the same to the digit. */
const frozenS = 12 * 3600;
const dayMs = 86_400_000;

const dayText = (day: number): string => new Date(day * dayMs).toISOString().slice(0, 10);

function stretches(
  isIn: (i: number) => boolean,
  { startS, intervalS, count }: Readings,
  zone: string,
): Stretch[] {
  const found: Stretch[] = [];
  let begin = -1;
  for (let i = 0; i <= count && found.length < maxGaps; i += 1) {
    if (i < count && isIn(i)) {
      if (begin < 0) begin = i;
    } else if (begin >= 0) {
      found.push({
        from: clockText(startS + begin * intervalS, zone),
        to: clockText(startS + i * intervalS, zone),
        hours: ((i - begin) * intervalS) / 3600,
      });
      begin = -1;
    }
  }
  return found;
}

function analyseChannel(
  channel: Channel,
  readings: Readings,
  zone: string,
  feedsBack: boolean,
): ChannelAnalysis {
  const { intervalS, startS } = readings;
  const factor = milliToW(channel, intervalS);
  const noise = noiseW / factor;
  const frozenLeast = leastFrozenW / factor;
  const { milli } = channel;
  let [sum, peak, missing, negative] = [0, 0, 0, 0];
  let [run, longest, longestEnd] = [0, 0, 0];
  let last = gap;
  for (let i = 0; i < milli.length; i += 1) {
    const value = milli[i]!;
    if (value === gap) {
      missing += 1;
      run = 0;
    } else {
      sum += value;
      if (Math.abs(value) > Math.abs(peak)) peak = value;
      if (value < -noise) negative += 1;
      run = value === last && Math.abs(value) > frozenLeast ? run + 1 : 1;
      if (run > longest) [longest, longestEnd] = [run, i];
    }
    last = value;
  }
  const present = milli.length - missing;
  const negativeShare = present > 0 ? negative / present : 0;
  const frozenHours = (longest * intervalS) / 3600;
  return {
    name: channel.name,
    role: channel.role,
    energyWh: (sum * factor * intervalS) / 3600,
    meanW: present > 0 ? (sum * factor) / present : 0,
    peakW: peak * factor,
    missing,
    negativeShare,
    turnedRound: !feedsBack && channel.role === 'circuit' && sum < 0 && negative > 0,
    frozen:
      longest * intervalS >= frozenS && longest > 3
        ? {
            from: clockText(startS + (longestEnd - longest + 1) * intervalS, zone),
            to: clockText(startS + (longestEnd + 1) * intervalS, zone),
            hours: frozenHours,
          }
        : null,
  };
}

/** Mean of the values of each cell; null where a cell has none. */
function cellMeans(
  valuesW: Float32Array,
  rows: number,
  rowOf: Uint8Array,
  times: LocalTimes,
): (number | null)[][] {
  const sums = new Float64Array(rows * 24);
  const counts = new Uint32Array(rows * 24);
  for (let i = 0; i < valuesW.length; i += 1) {
    const value = valuesW[i]!;
    if (Number.isNaN(value)) continue;
    const cell = rowOf[i]! * 24 + times.hour[i]!;
    sums[cell]! += value;
    counts[cell]! += 1;
  }
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: 24 }, (_h, hour) => {
      const cell = row * 24 + hour;
      return counts[cell]! > 0 ? sums[cell]! / counts[cell]! : null;
    }),
  );
}

/** Highest mean over quarters of an hour of the clock; a quarter with a gap does not count. */
function highestQuarter(
  valuesW: Float32Array,
  startS: number,
  intervalS: number,
): { valueW: number; atS: number } {
  let best = { valueW: 0, atS: startS };
  if (intervalS >= quarterS) {
    valuesW.forEach((value, i) => {
      if (value > best.valueW) best = { valueW: value, atS: startS + i * intervalS };
    });
    return best;
  }
  const perQuarter = quarterS / intervalS;
  let [sum, held, quarter] = [0, 0, -1];
  for (let i = 0; i <= valuesW.length; i += 1) {
    const now = i < valuesW.length ? Math.floor((startS + i * intervalS) / quarterS) : -2;
    if (now !== quarter) {
      // A quarter that the grid does not divide evenly may hold one value fewer.
      if (held >= Math.floor(perQuarter) && sum / held > best.valueW)
        best = { valueW: sum / held, atS: quarter * quarterS };
      [sum, held, quarter] = [0, 0, now];
    }
    if (i < valuesW.length && !Number.isNaN(valuesW[i]!)) {
      sum += valuesW[i]!;
      held += 1;
    }
  }
  return best;
}

function monthsOf(loadW: Float32Array, times: LocalTimes, intervalS: number): MonthAnalysis[] {
  const byDay = new Float64Array(times.dayCount);
  const filled = new Uint32Array(times.dayCount);
  for (let i = 0; i < loadW.length; i += 1) {
    if (Number.isNaN(loadW[i]!)) continue;
    byDay[times.day[i]!]! += (loadW[i]! * intervalS) / 3600;
    filled[times.day[i]!]! += 1;
  }
  const months = new Map<string, number[]>();
  const whole = (0.9 * 86_400) / intervalS;
  byDay.forEach((energyWh, day) => {
    if (filled[day]! < whole) return;
    const month = dayText(times.firstDay + day).slice(0, 7);
    months.set(month, [...(months.get(month) ?? []), energyWh]);
  });
  return [...months].map(([month, days]) => ({
    month,
    days: days.length,
    energyWh: days.reduce((sum, wh) => sum + wh, 0),
    highestDayWh: Math.max(...days),
    lowestDayWh: Math.min(...days),
  }));
}

/**
 * Works out what meter data yields. Gaps, turned sensors and frozen values are reported and left as they are.
 *
 * @param zone IANA name of the zone the house lives in
 * @param feedBack names of channels behind which something can feed back; those may be negative
 */
export function analyseReadings(
  readings: Readings,
  zone: string,
  feedBack: ReadonlySet<string> = new Set(),
): UsageAnalysis {
  const { startS, intervalS, count, channels } = readings;
  const times = localTimes(startS, intervalS, count, zone);
  const house = houseDemand(readings);
  const { loadW, exportW } = house;
  const hours = intervalS / 3600;
  const present = loadW.filter((value) => !Number.isNaN(value)).sort();
  const at = (share: number): number =>
    present.length === 0
      ? 0
      : present[Math.min(present.length - 1, Math.max(0, Math.round(share * (present.length - 1))))]!;
  let [sumW, nightW, sentW] = [0, 0, 0];
  const exportSums = new Float64Array(24);
  for (let i = 0; i < count; i += 1) {
    const value = loadW[i]!;
    if (!Number.isNaN(value)) {
      sumW += value;
      if (times.hour[i]! >= 22 || times.hour[i]! < 6) nightW += value;
    }
    if (exportW[i]! > 0) {
      sentW += exportW[i]!;
      exportSums[times.hour[i]!]! += exportW[i]! * hours;
    }
  }
  const highest = highestQuarter(loadW, startS, intervalS);
  const circuits = channels.filter(({ role }) => role === 'circuit');
  const analysed = channels.map((channel) =>
    analyseChannel(channel, readings, zone, channel.role !== 'circuit' || feedBack.has(channel.name)),
  );
  const energyOf = (role: ChannelRole): number =>
    analysed.filter((channel) => channel.role === role).reduce((sum, { energyWh }) => sum + energyWh, 0);
  let diversity: UsageAnalysis['diversity'] = null;
  if (circuits.length > 1) {
    const together = houseDemand({ ...readings, channels: circuits }).loadW;
    const peakOfSumW = together.reduce((most, value) => (value > most ? value : most), 0);
    const sumOfPeaksW = analysed
      .filter(({ role }) => role === 'circuit')
      .reduce((sum, { peakW }) => sum + Math.max(0, peakW), 0);
    diversity = { peakOfSumW, sumOfPeaksW, factor: sumOfPeaksW > 0 ? peakOfSumW / sumOfPeaksW : 0 };
  }
  const days = times.dayCount;
  return {
    from: house.from,
    fromDay: dayText(times.firstDay),
    toDay: dayText(times.firstDay + days),
    days: (count * intervalS) / 86_400,
    intervalS,
    values: channels.reduce((sum, { milli }) => sum + milli.length, 0),
    energyWh: sumW * hours,
    exportWh: sentW * hours,
    meanW: present.length > 0 ? sumW / present.length : 0,
    baseW: at(0.05),
    nightShare: sumW > 0 ? nightW / sumW : 0,
    duration: Array.from({ length: 101 }, (_, percent) => at(1 - percent / 100)),
    heat: cellMeans(loadW, 12, times.month, times),
    week: cellMeans(loadW, 7, times.weekday, times),
    highestW: highest.valueW,
    highestAt: clockText(highest.atS, zone),
    highestUtcS: highest.atS,
    months: monthsOf(loadW, times, intervalS),
    exportByHourWh: house.hasExport
      ? Array.from(exportSums, (wh) => wh / Math.max(1, (count * intervalS) / 86_400))
      : null,
    diversity,
    unmeteredWh:
      circuits.length > 0 && house.from !== 'circuits'
        ? energyOf(house.from === 'mains' ? 'mains' : 'import') +
          energyOf('solar') -
          energyOf('export') -
          energyOf('circuit')
        : null,
    gaps: stretches((i) => Number.isNaN(loadW[i]!), readings, zone),
    channels: analysed,
  };
}
