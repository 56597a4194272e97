import { causes, type Cause } from './outage-state.js';
import type { PlayedSeason } from './played-season.js';
import { reachedOf } from './reached-of.js';

/** How outages that begin in a season end. */
export interface SeasonOutlook {
  /** Hours that 19 of 20 outages reach at least; what they were followed for where they reach that. */
  readonly nineteenOfTwentyH: number;
  readonly medianH: number;
  /** The same of each year that was played, lowest first. */
  readonly yearsNineteenOfTwentyH: readonly number[];
  readonly yearsMedianH: readonly number[];
  /** Mean, each counted for what it was followed at most, h. */
  readonly meanH: number;
  readonly shortestH: number;
  /** Share of the outages that reach the required hours. */
  readonly requiredShare: number;
  /** Shares that an overload of the whole (inverters or batteries), of a leg, or a start ends before the required hours. */
  readonly cutShort: Readonly<Record<'whole' | 'leg' | 'start', number>>;
  readonly count: number;
  /** How long each was followed. */
  readonly followedH: number;
  /** What ends the outages near those that make each figure: near the hours of 19 of 20, and near the median. */
  readonly hardEnding: Ending;
  readonly usualEnding: Ending;
}

/** What ends most of some outages; "none" where most of them outlast what was followed. */
export interface Ending {
  readonly cause: Cause;
  /** Share of these outages that it ends. */
  readonly share: number;
}

/** How one outage went. */
interface Played {
  readonly survivedMin: number;
  readonly cause: Cause;
}

/** Outages of this share of all on either side of a figure are near it. */
const nearShare = 0.05;

const whole: readonly Cause[] = ['overload', 'overload-battery'];
const legs: readonly Cause[] = ['overload-l1', 'overload-l2', 'overload-l3'];
/** Endings for want of power. */
export const overloadCauses: readonly Cause[] = [...whole, ...legs, 'starting'];

/** The commonest ending among the outages near the one that a share of all reach. */
function endingNear(sorted: readonly Played[], share: number): Ending {
  const place = sorted.length * (1 - share);
  const near = sorted.slice(
    Math.max(0, Math.floor(place - nearShare * sorted.length)),
    Math.ceil(place + nearShare * sorted.length),
  );
  const counts = new Map<Cause, number>();
  for (const { cause } of near) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  const [most] = [...counts].toSorted((a, b) => b[1] - a[1]);
  return most ? { cause: most[0], share: most[1] / near.length } : { cause: 'none', share: 1 };
}

/**
 * Sums up outages of one or several years.
 *
 * @param followedMin how long each was followed
 */
export function outlookOf(
  years: readonly PlayedSeason[],
  requiredH: number,
  followedMin: number,
): SeasonOutlook {
  const sorted = years
    .flatMap(({ survivedMin, cause }) =>
      Array.from(survivedMin, (minutes, i): Played => ({ survivedMin: minutes, cause: causes[cause[i]!]! })),
    )
    .toSorted((a, b) => a.survivedMin - b.survivedMin);
  const all = sorted.map((one) => one.survivedMin);
  const ofYears = (share: number): number[] =>
    years.map(({ survivedMin }) => reachedOf(survivedMin.toSorted(), share) / 60).toSorted((a, b) => a - b);
  const required = Math.min(requiredH * 60, followedMin) - 1e-6;
  const shareOf = (is: (one: Played) => boolean): number => sorted.filter(is).length / sorted.length;
  return {
    nineteenOfTwentyH: reachedOf(all, 0.95) / 60,
    medianH: reachedOf(all, 0.5) / 60,
    yearsNineteenOfTwentyH: ofYears(0.95),
    yearsMedianH: ofYears(0.5),
    meanH: all.reduce((sum, value) => sum + value, 0) / all.length / 60,
    shortestH: reachedOf(all, 1) / 60,
    requiredShare: shareOf((one) => one.survivedMin >= required),
    cutShort: {
      whole: shareOf((one) => one.survivedMin < required && whole.includes(one.cause)),
      leg: shareOf((one) => one.survivedMin < required && legs.includes(one.cause)),
      start: shareOf((one) => one.survivedMin < required && one.cause === 'starting'),
    },
    count: all.length,
    followedH: followedMin / 60,
    hardEnding: endingNear(sorted, 0.95),
    usualEnding: endingNear(sorted, 0.5),
  };
}
