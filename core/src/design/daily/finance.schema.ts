import * as z from 'zod';
import { amountSchema, countSchema, field } from '../../base/index.js';

/** What is assumed of the years to come; null = a stated default. */
export const financeSchema = z.strictObject({
  years: field(countSchema(1, 40).nullable(), { label: 'Years looked at', unit: 'yr' }),
  discountRate: field(amountSchema(0, 0.5).nullable(), {
    label: 'Money in a year is worth less by',
    unit: 'share',
  }),
  /** What one of the tariff's currency is in that of the prices; null = not said, and nothing is compared. */
  exchangeRate: field(amountSchema(0.00001, 100_000).nullable(), {
    label: 'One of the tariff’s currency, in that of the prices',
    unit: 'factor',
    hint: 'where they differ; empty: not compared',
  }),
  priceRise: field(amountSchema(-0.2, 0.5).nullable(), {
    label: 'Energy grows dearer a year by',
    unit: 'share',
  }),
});
export type Finance = z.infer<typeof financeSchema>;

export const emptyFinance = (): Finance => ({
  years: null,
  discountRate: null,
  exchangeRate: null,
  priceRise: null,
});
