import * as z from 'zod';

/** An amount of money: decimal text, so that no cent is lost, and its currency (ISO 4217); null = nobody has said which. */
export const moneySchema = z.strictObject({
  amount: z.string().regex(/^\d{1,9}(\.\d{1,4})?$/, 'Write the amount as 1234.50'),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'Write the currency with its three letters, for example EUR')
    .nullable(),
});

/** A number as the decimal text of an amount: at most four places, no exponent. */
export const decimalText = (value: number): string => String(Math.round(value * 1e4) / 1e4);
