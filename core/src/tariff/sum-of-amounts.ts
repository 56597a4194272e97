import { Big } from 'big.js';
import { placesOf } from '../base/index.js';

/** Amounts of one currency together, decimal text with the places of the first. */
export const sumOfAmounts = (amounts: readonly string[]): string =>
  amounts.reduce((sum, amount) => sum.plus(amount), new Big(0)).toFixed(placesOf(amounts[0] ?? ''));
