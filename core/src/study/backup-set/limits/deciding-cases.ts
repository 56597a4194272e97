import { type DayPart, dayParts, type Load, onShare } from '../../../house/index.js';
import { seasons, type Season } from '../../../nature/index.js';

/** A part of the day in a season, with the share of it that each load is on. */
export interface DecidingCase {
  readonly season: Season;
  readonly part: DayPart;
  /** In the order of the loads. */
  readonly shares: readonly number[];
}

/**
 * The cases that can decide about the power of any set of some loads: where every load is on at least as often, demand is at
 * least as high, so a case that another one outdoes is left out. Of equal ones the first stays.
 */
export function decidingCases(loads: readonly Load[]): DecidingCase[] {
  const cases = seasons.flatMap((season) =>
    dayParts.map((part) => ({ season, part, shares: loads.map((load) => onShare(load, season, part)) })),
  );
  const outdone = (one: number, by: number): boolean => {
    const [own, other] = [cases[one]!.shares, cases[by]!.shares];
    return (
      own.every((share, i) => share <= other[i]!) && (by < one || own.some((share, i) => share < other[i]!))
    );
  };
  return cases.filter((_, one) => !cases.some((__, by) => by !== one && outdone(one, by)));
}
