import { Big } from 'big.js';
import type { OfferTotal } from './offer-total.js';

/**
 * What one offer costs more than another, with fees and taxes, as decimal text; "-" in front where it costs less.
 *
 * @returns null where they are in different currencies
 */
export function moneyDifference(from: OfferTotal, to: OfferTotal): string | null {
  if (from.currency !== to.currency) return null;
  const places = to.gross.includes('.') ? to.gross.split('.')[1]!.length : 0;
  return new Big(to.gross).minus(from.gross).toFixed(places);
}
