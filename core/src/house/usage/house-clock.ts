import { clockText, WallClock } from '../../nature/index.js';

/** Writes a moment in UTC seconds as jobs keep it: "2026-02-28T22:05:00Z". */
export const instantText = (utcS: number): string => `${new Date(utcS * 1000).toISOString().slice(0, 19)}Z`;

/**
 * What the clock of the house shows at a moment, to the minute.
 *
 * @example houseClock('2026-02-28T22:05:00Z', 'America/Halifax') // '2026-02-28T18:05'
 */
export const houseClock = (instant: string, zone: string): string =>
  clockText(Date.parse(instant) / 1000, zone);

/**
 * The moment at which the clock of the house shows a time; the first of two where an hour is repeated.
 *
 * @param clock time on the clock, "2026-02-28T18:05"
 * @returns null where the clock never shows it: an hour is left out in spring
 */
export function instantOf(clock: string, zone: string): string | null {
  const utcS = new WallClock(zone).toUtcS(Date.parse(`${clock}Z`) / 1000, null);
  return utcS === null ? null : instantText(utcS);
}
