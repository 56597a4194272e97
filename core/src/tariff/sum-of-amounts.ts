import { Big } from 'big.js';

/** Amounts of one currency together, decimal text with the places of the first. */
export const sumOfAmounts = (amounts: readonly string[]): string => {
  const places = amounts[0]?.split('.')[1]?.length ?? 0;
  return amounts.reduce((sum, amount) => sum.plus(amount), new Big(0)).toFixed(places);
};
