import * as z from 'zod';
import { amountSchema, countSchema, field } from '../../base/index.js';

/** What is assumed of the years to come; null = a stated default. */
export const financeSchema = z.strictObject({
  years: field(countSchema(1, 40).nullable(), { label: 'Years looked at', unit: 'yr' }),
  discountRate: field(amountSchema(0, 0.5).nullable(), {
    label: 'Money in a year is worth less by',
    unit: 'share',
  }),
  priceRise: field(amountSchema(-0.2, 0.5).nullable(), {
    label: 'Energy grows dearer a year by',
    unit: 'share',
  }),
});
export type Finance = z.infer<typeof financeSchema>;

export const emptyFinance = (): Finance => ({ years: null, discountRate: null, priceRise: null });
