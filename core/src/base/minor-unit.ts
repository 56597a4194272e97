import { Big } from 'big.js';
import { minorPlaces } from './currency.schema.js';

/** Amounts in the smallest unit of a currency, rounded half up. */
export interface MinorUnit {
  readonly round: (amount: Big) => Big;
  /** Decimal text of an amount, rounded. */
  readonly text: (amount: Big) => string;
}

export function minorUnit(currency: string): MinorUnit {
  const places = minorPlaces(currency);
  const round = (amount: Big): Big => amount.round(places, Big.roundHalfUp);
  return { round, text: (amount) => round(amount).toFixed(places) };
}

/** A rate as a bill shows it: "12.5 %", with every figure it has. */
export const rateText = (share: number): string => `${Number((share * 100).toPrecision(12))} %`;

/** Places behind the point of an amount in decimal text. */
export const placesOf = (amount: string): number => amount.split('.')[1]?.length ?? 0;
