import * as z from 'zod';

/** An amount of money as decimal text, never a binary fraction: "1234.50", at most four places, not negative. */
export const decimalSchema = z
  .string({ error: 'Enter an amount' })
  .regex(/^\d{1,9}(\.\d{1,4})?$/, 'Write the amount as 1234.50, not below zero');
export type Decimal = z.infer<typeof decimalSchema>;

/**
 * What somebody typed, as decimal text: "1,234.50", "1 234,5", "€ 900". The last comma or point with one or two digits behind it, or any
 * single point, is the decimal one.
 *
 * @returns null where it is no amount
 */
export function readDecimal(text: string): Decimal | null {
  const digits = text.replace(/[\s\u00a0\u202f'’]|[A-Z]{3}|\p{Sc}/gu, '');
  if (!/^\d[\d.,]*$/.test(digits)) return null;
  const last = Math.max(digits.lastIndexOf('.'), digits.lastIndexOf(','));
  const behind = digits.length - last - 1;
  const separators = digits.replace(/\d/g, '');
  // "0,1127" is no thousand: none begins with nought.
  const isFraction = behind <= 2 || separators === '.' || (separators === ',' && digits.startsWith('0,'));
  const isDecimal = last >= 0 && isFraction && behind > 0;
  const whole = (isDecimal ? digits.slice(0, last) : digits).replace(/[.,]/g, '');
  const amount = (isDecimal ? `${whole}.${digits.slice(last + 1)}` : whole).replace(/^0+(?=\d)/, '');
  return decimalSchema.safeParse(amount).success ? amount : null;
}
