import type { OutageSample } from './outage-sample.js';

/**
 * How far apart the readings of a recording usually are, s: the median. A system that is played fast is asked once in many of its seconds.
 */
export function usualStepS(samples: readonly OutageSample[]): number {
  const steps = samples.slice(1).map(({ second }, place) => second - samples[place]!.second);
  return steps.length === 0 ? 1 : steps.toSorted((a, b) => a - b)[steps.length >> 1]!;
}

/** Readings that may be missing one after the other before somebody says so. */
const silentSteps = 3;

/**
 * How long devices may say nothing before that counts, s: so long, or a few readings where these are far apart.
 *
 * @param leastS where they are read every second
 */
export const silenceS = (samples: readonly OutageSample[], leastS: number): number =>
  Math.max(leastS, silentSteps * usualStepS(samples));
