import { seededRandom } from '../../base/index.js';
import { type Season, seasonOfDay, seasons } from '../../nature/index.js';
import { type DayPart, dayPartFacts, type Load, onShare } from '../../house/index.js';
import { cyclesPerHour } from '../../house/details.js';
import { weatherUse, type DayFactors } from './day-factors.js';

/** Parts of a day from midnight on, minutes. */
const stretches: readonly { readonly part: DayPart; readonly fromMin: number; readonly toMin: number }[] = [
  { part: 'night', fromMin: 0, toMin: 360 },
  { part: 'morning', fromMin: 360, toMin: 600 },
  { part: 'day', fromMin: 600, toMin: 960 },
  { part: 'evening', fromMin: 960, toMin: 1320 },
  { part: 'night', fromMin: 1320, toMin: 1440 },
];

/** A share of time that is too small to be anything but rounding. */
const leastShare = 1e-9;

interface Use {
  /** Share of the stretch in which it runs. */
  readonly share: number;
  /** Mean time from one start to the next, min. */
  readonly cycleMin: number;
}

/** When a load runs, ready to be asked for any day. */
export interface LoadCycles {
  readonly load: Load;
  /** On a day: from, to, from, to, … in minutes since midnight, in order. */
  readonly onDay: (day: number) => Float64Array;
}

const hashOf = (text: string): number => {
  let hash = 2_166_136_261;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 16_777_619);
  return hash >>> 0;
};

/**
 * When a load runs through the days of a year. Within each part of a day it runs for exactly its share of the time, in cycles
 * whose length is drawn between a half and one and a half times the mean; so the energy of a day is what the hours of use say,
 * and the moments are random but the same for the same seed. Days are independent, so that any day can be had without those
 * before it, and a load keeps its moments when others come or go.
 *
 * @param useFactor share of its hours of use that the household keeps
 */
export function loadCycles(
  load: Load,
  seed: number,
  latitudeDeg: number,
  factors: DayFactors,
  useFactor = 1,
): LoadCycles {
  const follows = weatherUse(load.kind);
  const perHour = cyclesPerHour(load);
  const key = hashOf(load.id) ^ Math.imul(seed, 2_654_435_761);
  const byDaySeason = Object.fromEntries(
    seasons.map((season) => [
      season,
      stretches.map(({ part }): Use => {
        const { hours, field } = dayPartFacts[part];
        const usedShare = Math.min(1, load.use[season][field] / hours.length) * useFactor;
        return {
          share: onShare(load, season, part) * useFactor,
          cycleMin: usedShare > 0 ? 60 / (perHour * usedShare) : Infinity,
        };
      }),
    ]),
  ) as Record<Season, Use[]>;
  const spansOf = (inYear: number): Float64Array => {
    const uses = byDaySeason[seasonOfDay(inYear, latitudeDeg)];
    const byWeather = follows === 'none' ? 1 : factors[follows][inYear]!;
    const factor = byWeather * (factors.stormy[inYear] === 1 ? (load.stormFactor ?? 1) : 1);
    const random = seededRandom(key ^ Math.imul(inYear + 1, 40_503));
    const spans: number[] = [];
    stretches.forEach(({ fromMin, toMin }, index) => {
      const use = uses[index]!;
      const share = Math.min(1, use.share * factor);
      if (share < leastShare) return;
      let at = fromMin;
      while (at < toMin - 1e-9) {
        const drawn = share >= 1 ? Infinity : use.cycleMin * (0.5 + random());
        const length = toMin - at < drawn + use.cycleMin * 0.5 ? toMin - at : drawn;
        const on = share * length;
        const from = at + random() * (length - on);
        // What runs on from the stretch before did not start again.
        if (spans.length > 0 && from - spans.at(-1)! < 1e-9) spans[spans.length - 1] = from + on;
        else spans.push(from, from + on);
        at += length;
      }
    });
    return new Float64Array(spans);
  };
  const kept: (Float64Array | undefined)[] = [];
  const onDay = (day: number): Float64Array => {
    const inYear = ((day % 365) + 365) % 365;
    return (kept[inYear] ??= spansOf(inYear));
  };
  return { load, onDay };
}
