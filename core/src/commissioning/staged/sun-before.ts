import type { OutageSample } from './outage-sample.js';

/** Of the recording before the grid went so much is looked at, s. */
const lookedBackS = 120;
/** Solar that fed this much before the grid went is there to come back, W. */
const sunThereW = 150;

/**
 * What solar fed in the two minutes before a second, W.
 *
 * @returns null where that is too little to be waited for
 */
export function sunBeforeW(samples: readonly OutageSample[], beforeS: number): number | null {
  const before = samples.filter(({ second }) => second < beforeS && second >= beforeS - lookedBackS);
  const sunW = before.reduce((sum, { solarW }) => sum + (solarW ?? 0), 0) / Math.max(1, before.length);
  return sunW < sunThereW ? null : sunW;
}
