import { type Season, seasons } from '../../nature/index.js';
import { billFacts } from './bill-facts.js';
import type { Bill } from './usage.schema.js';

/**
 * What the house takes on a mean day of each season by its bills, Wh. A season without a bill has the mean of the others.
 *
 * @returns null where there are no bills
 */
export function seasonDaysWh(
  bills: readonly Bill[],
  southern: boolean,
): Readonly<Record<Season, number>> | null {
  const facts = billFacts(bills, southern);
  if (!facts) return null;
  const known = Object.values(facts.seasonDayWh).filter((wh): wh is number => wh !== null);
  const meanWh = known.reduce((sum, wh) => sum + wh, 0) / known.length;
  return Object.fromEntries(seasons.map((season) => [season, facts.seasonDayWh[season] ?? meanWh])) as Record<
    Season,
    number
  >;
}
