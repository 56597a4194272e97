import { seededNormal, seededRandom } from '../base/index.js';

/** In what a real house differs from the one that was designed; nobody is told. */
export interface HiddenTruth {
  /** Of the usable energy, the two efficiencies and the sun: so many times what the design counts on. */
  readonly capacityTimes: number;
  readonly dischargeTimes: number;
  readonly chargeTimes: number;
  readonly sunTimes: number;
  /** What stands by draws so much more, W. */
  readonly standbyMoreW: number;
  /** Of the usable energy so much is lost a year, share of what it was as new. */
  readonly fadePerYear: number;
  /** A load takes so many times what is entered. */
  readonly loadTimes: (loadId: string) => number;
}

/** Spread of what differs (common practice, no source): one deviation. */
const spread = { capacity: 0.03, efficiency: 0.008, sun: 0.06, standbyW: 12, load: 0.06 };
/** What a battery loses a year (common practice, no source: 4 % in three years), and its spread. */
const fade = { mean: 0.04 / 3, spread: 0.003 };
/** Nothing is further off than this many deviations. */
const most = 2;

/** The truth about a house that a seed stands for. */
export function hiddenTruth(seed: number): HiddenTruth {
  const normal = seededNormal(seededRandom(seed));
  const about = (deviation: number): number => deviation * Math.max(-most, Math.min(most, normal()));
  const truth = {
    capacityTimes: 1 + about(spread.capacity),
    dischargeTimes: Math.min(1.01, 1 + about(spread.efficiency)),
    chargeTimes: Math.min(1.01, 1 + about(spread.efficiency)),
    sunTimes: 1 + about(spread.sun),
    standbyMoreW: about(spread.standbyW),
    fadePerYear: fade.mean + about(fade.spread),
  };
  const ofLoads = new Map<string, number>();
  return {
    ...truth,
    loadTimes: (loadId) => {
      const known = ofLoads.get(loadId);
      if (known !== undefined) return known;
      const own = [...loadId].reduce(
        (hash, letter) => (Math.imul(hash, 31) + letter.charCodeAt(0)) | 0,
        seed,
      );
      const times = 1 + spread.load * Math.max(-most, Math.min(most, seededNormal(seededRandom(own))()));
      ofLoads.set(loadId, times);
      return times;
    },
  };
}

/** A house exactly as it was designed. */
export const asDesigned: HiddenTruth = {
  capacityTimes: 1,
  dischargeTimes: 1,
  chargeTimes: 1,
  sunTimes: 1,
  standbyMoreW: 0,
  fadePerYear: 0,
  loadTimes: () => 1,
};
