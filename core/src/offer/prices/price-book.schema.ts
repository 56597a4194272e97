import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  currencySchema,
  decimalSchema,
  field,
  idSchema,
  nameSchema,
} from '../../base/index.js';

const share = (label: string, most: number) => field(amountSchema(0, most), { label, unit: 'share' });

/** Net price of one piece of an item, or of a metre where it is sold by length. */
export const itemPriceSchema = z.strictObject({ itemId: idSchema, net: decimalSchema });
export type ItemPrice = z.infer<typeof itemPriceSchema>;

export const priceListSchema = z.strictObject({
  id: idSchema,
  supplier: field(nameSchema(80), { label: 'Supplier' }),
  dated: field(
    z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/, 'Write the date as 2026-03-14')
      .nullable(),
    { label: 'Date of the list', hint: 'year-month-day' },
  ),
  /** What its prices are in; null = the company's currency. */
  currency: field(currencySchema.nullable().default(null), {
    label: 'Currency',
    hint: 'empty: the company’s',
  }),
  /** What one of it costs in the company's currency. */
  rate: field(
    z
      .string({ error: 'Enter a rate' })
      .regex(/^\d{1,6}(\.\d{1,6})?$/, 'Write the rate as 1.4725')
      .refine((rate) => Number(rate) > 0, 'A rate is above nought')
      .default('1'),
    { label: 'Rate', hint: 'what one of it costs in the company’s currency' },
  ),
  /** Off every net price of the list. */
  discount: share('Discount', 1),
  delivery: field(decimalSchema, { label: 'Delivery, each order' }),
  /** Goods of so much are delivered free; null = never. */
  deliveryFreeFrom: field(decimalSchema.nullable(), { label: 'Delivered free from' }),
  leadDays: field(countSchema(0, 730).nullable(), { label: 'Lead time, days', unit: 'count' }),
  prices: z.array(itemPriceSchema).max(20_000, 'Use at most 20,000 prices in a list'),
});
export type PriceList = z.infer<typeof priceListSchema>;

/** Work that is counted from a design. */
export const tasks = [
  'unit-hung',
  'device-mounted',
  'panel-set',
  'circuit-moved',
  'circuit-controlled',
  'wire-metre',
  'generator-set',
  'soft-starter-set',
  'commissioning',
] as const;
export type Task = (typeof tasks)[number];
export const taskLabels: Readonly<Record<Task, string>> = {
  'unit-hung': 'Inverter or battery hung and connected',
  'device-mounted': 'Isolating device mounted',
  'panel-set': 'Loads panel set',
  'circuit-moved': 'Circuit moved',
  'circuit-controlled': 'Circuit controlled',
  'wire-metre': 'Metre of conduit and wire',
  'generator-set': 'Generator or its inlet set',
  'soft-starter-set': 'Soft starter set',
  commissioning: 'Commissioning and drill',
};

const taxedSchema = z.enum(['goods', 'labour', 'fees'], { error: 'Choose goods, labour or fees' });

/** Money from outside, after tax: a share of the price, or so much for each kilowatt-hour of battery by steps. */
export const incentiveSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(80), { label: 'Incentive' }),
  who: field(z.string().max(200, 'Use at most 200 characters'), { label: 'Who gets it' }),
  by: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('share'), share: amountSchema(0, 1) }),
    z.strictObject({
      kind: z.literal('energy'),
      /** Each step holds up to so many kWh of nameplate, counted from zero; null = without an end. */
      steps: z
        .array(
          z.strictObject({ upToKWh: amountSchema(0.1, 10_000, 'kWh').nullable(), perKWh: decimalSchema }),
        )
        .min(1, 'Give at least one step')
        .max(8, 'Use at most 8 steps'),
    }),
    z.strictObject({ kind: z.literal('fixed'), amount: decimalSchema }),
  ]),
  /** No more than this; null = no cap. */
  cap: field(decimalSchema.nullable(), { label: 'At most' }),
  /** Batteries below this get nothing, kWh of nameplate. */
  leastKWh: field(amountSchema(0, 10_000, 'kWh'), { label: 'From so many kWh', unit: 'factor' }),
});
export type Incentive = z.infer<typeof incentiveSchema>;

/** A list of a supplier without prices yet. */
export const emptyPriceList = (id: string, supplier: string): PriceList => ({
  id,
  supplier,
  dated: null,
  currency: null,
  rate: '1',
  discount: 0,
  delivery: '0',
  deliveryFreeFrom: null,
  leadDays: null,
  prices: [],
});

/** What a company's work and goods cost, and what is added to them. */
export const priceBookSchema = z.strictObject({
  currency: field(currencySchema, { label: 'Currency' }),
  lists: z.array(priceListSchema).max(40, 'Use at most 40 price lists'),
  hourlyRate: field(decimalSchema, { label: 'An hour of work' }),
  /** Hours of each task; what is not named takes none. */
  labour: z
    .array(z.strictObject({ task: z.enum(tasks), hours: amountSchema(0, 500, 'h') }))
    .max(tasks.length),
  /** Wire and conduit of a metre, until the wiring is designed. */
  wirePerM: field(decimalSchema, { label: 'Wire and conduit, a metre' }),
  /** A kilowatt of modules on the roof with everything that belongs to it; 0 = not known. */
  solarPerKW: field(decimalSchema.default('0'), { label: 'Solar, installed, a kW' }),
  fees: z
    .array(z.strictObject({ id: idSchema, name: nameSchema(80), amount: decimalSchema }))
    .max(20, 'Use at most 20 fees'),
  taxes: z
    .array(
      z.strictObject({
        id: idSchema,
        name: nameSchema(80),
        rate: amountSchema(0, 1),
        on: z.array(taxedSchema).min(1, 'Say what is taxed').max(3),
      }),
    )
    .max(10, 'Use at most 10 taxes'),
  /** For what was not foreseen, of goods and labour. */
  contingency: share('Contingency', 1),
  /** On the cost, or of the price. */
  profit: z.strictObject({ kind: z.enum(['markup', 'margin']), share: amountSchema(0, 0.95) }),
  incentives: z.array(incentiveSchema).max(20, 'Use at most 20 incentives'),
});
export type PriceBook = z.infer<typeof priceBookSchema>;

/** A book in which nothing has a price yet. */
export const emptyPriceBook = (currency: string): PriceBook => ({
  currency,
  lists: [],
  hourlyRate: '0',
  labour: [],
  wirePerM: '0',
  solarPerKW: '0',
  fees: [],
  taxes: [],
  contingency: 0,
  profit: { kind: 'markup', share: 0 },
  incentives: [],
});
