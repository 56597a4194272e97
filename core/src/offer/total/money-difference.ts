import { Big } from 'big.js';
import { placesOf } from '../../base/index.js';

/** What one amount is more than another, both decimal text of one currency; "-" in front where it is less. */
export const moneyDifference = (from: string, to: string): string =>
  new Big(to).minus(from).toFixed(placesOf(to));
