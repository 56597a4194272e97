import type { LearnedHouse } from './company-sheet.schema.js';

/** What the houses of a company taught together. */
export interface LearnedDefault {
  readonly ordinaryTimes: number;
  readonly weatherTimes: number;
  readonly houses: number;
  readonly outages: number;
}

/**
 * What loads take over what is entered, over the houses of a company: the mean of their factors, each with the number of its outages.
 *
 * @param exceptJobId a house that is not counted: it has its own
 * @returns null where no other house taught anything
 */
export function learnedDefault(houses: readonly LearnedHouse[], exceptJobId: string): LearnedDefault | null {
  const others = houses.filter(({ jobId }) => jobId !== exceptJobId);
  const outages = others.reduce((sum, house) => sum + house.outages, 0);
  if (outages === 0) return null;
  const mean = (of: (house: LearnedHouse) => number): number =>
    others.reduce((sum, house) => sum + of(house) * house.outages, 0) / outages;
  return {
    ordinaryTimes: mean(({ ordinaryTimes }) => ordinaryTimes),
    weatherTimes: mean(({ weatherTimes }) => weatherTimes),
    houses: others.length,
    outages,
  };
}
