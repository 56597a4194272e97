import { type Season, seasons } from '../../nature/index.js';
import type { House } from '../site/house.js';
import { isSouthern } from '../site/is-southern.js';
import { billFacts } from '../usage/bill-facts.js';

/**
 * What the house takes on a mean day of each season by its bills, Wh. A season without a bill has the mean of the others.
 *
 * @returns null where there are no bills
 */
export function seasonDayWh(
  { bills }: Pick<House['usage'], 'bills'>,
  site: House['site'],
): Readonly<Record<Season, number>> | null {
  const facts = billFacts(bills, isSouthern(site));
  if (!facts) return null;
  const known = Object.values(facts.seasonDayWh).filter((wh): wh is number => wh !== null);
  const meanWh = known.reduce((sum, wh) => sum + wh, 0) / known.length;
  return Object.fromEntries(seasons.map((season) => [season, facts.seasonDayWh[season] ?? meanWh])) as Record<
    Season,
    number
  >;
}
