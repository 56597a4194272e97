import type { SeasonOutlook } from '../outage/outlook-of.js';
import { simulatedRuntimeMargin } from '../outage/simulated-runtime-margin.js';
import type { Evaluation } from './evaluate-plan.js';
import { heldBy } from './held-by.js';
import type { JudgedStack } from './judge-stack.js';
import { selectStack } from './select-stack.js';
import type { Runtimes } from './with-runtimes.js';

/** What was simulated for a plan a moment ago. */
export interface Known {
  readonly rough: Evaluation;
  readonly runtimes: Runtimes;
}

const plainHours = (evaluation: Evaluation, name: string): number | undefined =>
  evaluation.judged.find(({ stack }) => stack.name === name)?.margins.find(({ key }) => key === 'runtime')
    ?.limit.value;

/**
 * An evaluation for the moments until it is simulated: the suggestion of the plan before stays while its power suffices, and its
 * runtime is carried on in proportion to the closed formula. All of it is marked as rough.
 */
export function carriedOn(rough: Evaluation, before: Known): Evaluation {
  const { found, outlooks } = before.runtimes;
  const stays = rough.judged.some(
    ({ stack, lacks }) => stack.name === found?.smallest && lacks.every((margin) => margin.rough),
  );
  const carried = (one: JudgedStack): JudgedStack => {
    const outlook = outlooks.get(one.stack.name);
    const wasH = outlook && plainHours(before.rough, one.stack.name);
    const plain = one.margins.find(({ key }) => key === 'runtime');
    if (!outlook || !wasH || !plain || plain.verdict === 'unknown') return one;
    const grows = plain.limit.value / wasH;
    if (!Number.isFinite(grows)) return one;
    const margins = one.margins.map((margin) =>
      margin === plain ? simulatedRuntimeMargin(rough.settings, plain, grown(outlook, grows), true) : margin,
    );
    return { ...one, ...heldBy(margins) };
  };
  const judged = rough.judged.map((one) => (one.stack.name === found?.smallest ? carried(one) : one));
  const chosen = rough.selectedBy === 'user' ? carried(rough.selected!) : null;
  const standIn = stays ? { smallest: found!.smallest, short: [] } : null;
  return { ...rough, ...selectStack(judged, chosen, standIn), searched: false, judged };
}

/** An outlook with all its hours longer or shorter by a factor. */
const grown = (outlook: SeasonOutlook, factor: number): SeasonOutlook => {
  const by = (hours: number): number => Math.min(outlook.followedH, hours * factor);
  return {
    ...outlook,
    nineteenOfTwentyH: by(outlook.nineteenOfTwentyH),
    medianH: by(outlook.medianH),
    yearsNineteenOfTwentyH: outlook.yearsNineteenOfTwentyH.map(by),
    yearsMedianH: outlook.yearsMedianH.map(by),
  };
};
