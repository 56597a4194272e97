import type { OutageSample } from './outage-sample.js';

/**
 * How far apart the readings of a recording usually are, s: the median. A system that is played fast is asked once in many of its seconds.
 */
export function usualStepS(samples: readonly OutageSample[]): number {
  const steps = samples.slice(1).map(({ second }, place) => second - samples[place]!.second);
  return steps.length === 0 ? 1 : steps.toSorted((a, b) => a - b)[steps.length >> 1]!;
}
