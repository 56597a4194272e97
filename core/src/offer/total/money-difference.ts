import { Big } from 'big.js';

/** What one amount is more than another, both decimal text of one currency; "-" in front where it is less. */
export function moneyDifference(from: string, to: string): string {
  const places = to.split('.')[1]?.length ?? 0;
  return new Big(to).minus(from).toFixed(places);
}
