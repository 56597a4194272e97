import type { Outage, Reliability } from './usage.schema.js';

/** Up to five minutes an interruption counts as momentary: IEEE 1366 (recalled). */
export const momentaryS = 300;

export interface OutageFacts {
  readonly count: number;
  readonly years: number;
  readonly perYear: number;
  readonly flickers: number;
  readonly sustained: number;
  /** Of the sustained ones; s. */
  readonly medianS: number;
  readonly ninetiethS: number;
  readonly longestS: number;
  readonly hoursPerYear: number;
  /** Share of the sustained outages that the required runtime covers, without sun. */
  readonly coveredShare: number;
  /** Share of the hours without grid that it covers: the beginning of a longer outage counts. */
  readonly coveredHoursShare: number;
}

const yearMs = 365.25 * 86_400_000;

/** Smallest value that at least `share` of a sorted list does not pass. */
const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? 0;

/**
 * What a list of past outages says; null where it is empty.
 *
 * @param years years the list covers; null takes the stretch from the first to the last, one year at least
 * @param runtimeH required runtime, h
 */
export function outageFacts(
  outages: readonly Outage[],
  years: number | null,
  runtimeH: number,
): OutageFacts | null {
  if (outages.length === 0) return null;
  const starts = outages.map(({ start }) => Date.parse(start)).toSorted((a, b) => a - b);
  const covered = years ?? Math.max(1, (starts.at(-1)! - starts[0]!) / yearMs);
  const long = outages
    .map(({ durationS }) => durationS)
    .filter((durationS) => durationS > momentaryS)
    .toSorted((a, b) => a - b);
  const runtimeS = runtimeH * 3600;
  const darkS = long.reduce((sum, durationS) => sum + durationS, 0);
  return {
    count: outages.length,
    years: covered,
    perYear: outages.length / covered,
    flickers: outages.length - long.length,
    sustained: long.length,
    medianS: quantile(long, 0.5),
    ninetiethS: quantile(long, 0.9),
    longestS: long.at(-1) ?? 0,
    hoursPerYear: darkS / 3600 / covered,
    coveredShare:
      long.length === 0 ? 1 : long.filter((durationS) => durationS <= runtimeS).length / long.length,
    coveredHoursShare:
      darkS === 0 ? 1 : long.reduce((sum, durationS) => sum + Math.min(durationS, runtimeS), 0) / darkS,
  };
}

export interface ReliabilityFacts {
  /** CAIDI: mean length of an interruption, h. */
  readonly meanH: number;
  /** Share of interruptions the runtime covers when their lengths are exponentially spread about the mean. */
  readonly coveredShare: number;
}

/** What yearly indices say (IEEE 1366: CAIDI = SAIDI ÷ SAIFI). The spread of lengths is assumed exponential: common practice, no source. */
export function reliabilityFacts(
  { interruptionsPerYear, minutesPerYear }: Reliability,
  runtimeH: number,
): ReliabilityFacts | null {
  if (interruptionsPerYear <= 0) return null;
  const meanH = minutesPerYear / 60 / interruptionsPerYear;
  return { meanH, coveredShare: meanH > 0 ? 1 - Math.exp(-runtimeH / meanH) : 1 };
}
