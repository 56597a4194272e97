import { groupBy } from '../../base/index.js';

/** The moment at which a charge passed the middle between two of the steps in which it is shown. */
export interface Crossing {
  /** Index of the sample after it. */
  readonly index: number;
  readonly charge: number;
  /** One deviation, share of the energy. */
  readonly error: number;
}

/** Charge is shown in whole percents. */
const step = 0.01;
/** However sharp a step is seen: what shows it is not truer than this (common practice, no source), share. */
const leastError = 0.0002;
/** A level that was seen for less than this share of the one beside it was begun, or left, on its way: its middle is not known. */
const leastWhole = 0.6;

interface Level {
  readonly percent: number;
  /** Where half of what passed in it had passed. */
  readonly middle: number;
  /** How much passed while it was shown. */
  readonly passed: number;
  readonly samples: number;
}

/** Levels of a charge in the order in which most of each was seen. */
function levelsOf(shown: readonly number[], passed: readonly number[]): Level[] {
  const byPercent = groupBy(shown.keys(), (index) => Math.round(shown[index]! / step));
  const during = (index: number): number => passed[index]! - (passed[index - 1] ?? passed[0]!);
  return [...byPercent]
    .map(([percent, indices]): Level => {
      const whole = indices.reduce((sum, index) => sum + during(index), 0);
      let half = 0;
      const middle = indices.find((index) => (half += during(index)) >= whole / 2) ?? indices[0]!;
      return { percent, middle, passed: whole, samples: indices.length };
    })
    .toSorted((a, b) => a.middle - b.middle);
}

/** First index at which as much has passed. */
function indexAt(passed: readonly number[], amount: number): number {
  let [low, high] = [0, passed.length - 1];
  while (low < high) {
    const half = (low + high) >> 1;
    if (passed[half]! < amount) low = half + 1;
    else high = half;
  }
  return low;
}

/**
 * When a charge that only falls, or only rises, passed from one shown percent to the next. What shows it flickers between both for
 * a while: what passes from the middle of the one to the middle of the other while the one is shown, passed before the crossing.
 *
 * @param shown shares of the energy, one a sample
 * @param passed energy that has passed until each sample, about, in any unit; never falls
 */
export function chargeCrossings(shown: readonly number[], passed: readonly number[]): Crossing[] {
  const levels = levelsOf(shown, passed).filter(({ samples }) => samples > 3);
  const found: Crossing[] = [];
  for (let place = 0; place + 1 < levels.length; place += 1) {
    const [one, two] = [levels[place]!, levels[place + 1]!];
    const isFirst = place === 0 && one.passed < leastWhole * two.passed;
    const isLast = place + 2 === levels.length && two.passed < leastWhole * one.passed;
    // A jump of more than a percent is the work of what shows it, not of the battery.
    if (Math.abs(one.percent - two.percent) !== 1 || isFirst || isLast || two.middle <= one.middle) continue;
    const isDown = two.percent < one.percent;
    let before = 0;
    let firstOfTwo = two.middle;
    let lastOfOne = one.middle;
    for (let index = one.middle + 1; index <= two.middle; index += 1) {
      const percent = Math.round(shown[index]! / step);
      if (isDown ? percent >= one.percent : percent <= one.percent) {
        before += passed[index]! - passed[index - 1]!;
        lastOfOne = index;
      } else if (firstOfTwo === two.middle) firstOfTwo = index;
    }
    const flicker = Math.max(1, lastOfOne - firstOfTwo);
    const meanShare = (step * Math.max(1e-9, passed[lastOfOne]! - passed[firstOfTwo]!)) / flicker;
    const perStep = Math.max(1e-9, passed[two.middle]! - passed[one.middle]!);
    found.push({
      index: indexAt(passed, passed[one.middle]! + before),
      charge: ((one.percent + two.percent) / 2) * step,
      // As if what flickers changed evenly from the one to the other: a sixth of its samples is its variance.
      error: Math.hypot(leastError, (meanShare / perStep) * Math.sqrt(flicker / 6)),
    });
  }
  return found;
}
