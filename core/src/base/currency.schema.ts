import * as z from 'zod';

/** Currencies the platform knows (ISO 4217). */
const currencies = new Set(Intl.supportedValuesOf('currency'));

export const currencySchema = z
  .string({ error: 'Choose a currency' })
  .refine((code) => currencies.has(code), 'This is no currency of ISO 4217: write EUR, CAD, GBP …');

/** Places behind the point of the smallest unit of a currency: 2 of most. */
export function minorPlaces(currency: string): number {
  const { maximumFractionDigits } = new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
  }).resolvedOptions();
  return maximumFractionDigits ?? 2;
}
