import * as z from 'zod';
import { amountSchema, field } from '../../base/index.js';

export const strategies = ['kept-full', 'own-solar', 'prices'] as const;
export type Strategy = (typeof strategies)[number];

const yesNo = (label: string, hint: string) =>
  field(z.boolean({ error: 'Say yes or no' }), {
    label,
    hint,
    choices: [
      [true, 'yes'],
      [false, 'no'],
    ],
  });

/** How a design uses its battery while the grid is there. */
export const dailyUseSchema = z.strictObject({
  /** null = what the goals of the brief ask for. */
  strategy: field(z.enum(strategies, { error: `Choose one of: ${strategies.join(', ')}` }).nullable(), {
    label: 'Day by day the battery',
    choices: [
      ['kept-full', 'is kept full for outages'],
      ['own-solar', 'stores the own sun'],
      ['prices', 'stores the sun and follows prices'],
    ],
  }),
  /** Share of the usable energy that is never used day by day; null = the usual. */
  heldBack: field(amountSchema(0, 1).nullable(), { label: 'Held back for outages', unit: 'share' }),
  /** Full from the day before a day of storm to its end. */
  fullBeforeStorms: yesNo('Full before storms', 'from noon of the day before'),
  gridCharging: yesNo('May charge from the grid', 'some incentives and utilities forbid it'),
  sendsOut: yesNo('May send out of the battery', 'where the utility buys it'),
  /** Power from the grid above which the battery helps; null = none. */
  importLimitW: field(amountSchema(100, 200_000, 'W').nullable(), {
    label: 'Keeps the grid below',
    unit: 'W',
    hint: 'for a charge on demand; empty: no limit',
  }),
});
export type DailyUse = z.infer<typeof dailyUseSchema>;

export const emptyDailyUse = (): DailyUse => ({
  strategy: null,
  heldBack: null,
  fullBeforeStorms: false,
  gridCharging: true,
  sendsOut: false,
  importLimitW: null,
});
