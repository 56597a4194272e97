import type { TariffBand } from '@levamen/core/house';

/** A price as it is typed, "0,32 eur", in the form it is kept in; whether it is one is for its schema to say. */
export function readMoney(text: string): NonNullable<TariffBand['perKWh']> {
  const [amount = '', currency] = text.trim().split(/\s+/);
  return { amount: amount.replace(',', '.'), currency: currency?.toUpperCase() ?? null };
}
