import * as z from 'zod';
import {
  amountSchema,
  field,
  idSchema,
  lineSchema,
  nameSchema,
  noteSchema,
  yesNo,
} from '../../base/index.js';

const length = (label: string) => field(amountSchema(1, 20_000, 'mm').nullable(), { label, unit: 'mm' });
const clearance = (label: string, hint?: string) =>
  field(amountSchema(0, 5000, 'mm').nullable(), {
    label,
    unit: 'mm',
    ...(hint === undefined ? {} : { hint }),
  });
const temperature = (label: string) => field(amountSchema(-80, 120, '°C').nullable(), { label, unit: '°C' });

/** What every item has, whatever its kind: what it is called and where its data come from. */
export const identityFields = {
  name: field(nameSchema(60), { label: 'Name' }),
  line: field(lineSchema(60), { label: 'Line', hint: 'as you group what you sell' }),
  articleNumber: field(lineSchema(60), { label: 'Article number' }),
  summary: field(lineSchema(240), { label: 'What it is', rows: 2 }),
  dataSheet: field(lineSchema(200), { label: 'Data sheet', hint: 'its title, number or where it lies' }),
  dataSheetDate: field(
    z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/, 'Write the date as 2026-03-14')
      .nullable(),
    { label: 'Date of the data sheet', hint: 'year-month-day' },
  ),
  note: field(noteSchema(1000), { label: 'Note', rows: 2 }),
};

/** How it is built. */
export const bodyFields = {
  massKg: field(amountSchema(0.01, 5000, 'kg').nullable(), { label: 'Mass', unit: 'kg' }),
  widthMm: length('Width'),
  heightMm: length('Height'),
  depthMm: length('Depth'),
  mounting: field(
    z
      .enum(['wall', 'floor', 'wall-or-floor', 'rail', 'panel', 'roof'], {
        error: 'Choose how it is mounted',
      })
      .nullable(),
    {
      label: 'Mounting',
      choices: [
        ['wall', 'on a wall'],
        ['floor', 'on the floor'],
        ['wall-or-floor', 'wall or floor'],
        ['rail', 'on a rail'],
        ['panel', 'in a panel'],
        ['roof', 'on the roof'],
      ],
    },
  ),
  outdoors: yesNo('Outdoors'),
  clearanceMm: field(amountSchema(0, 5000, 'mm').nullable(), {
    label: 'Clearance around it',
    unit: 'mm',
    hint: 'where no side says otherwise',
  }),
  clearAboveMm: clearance('Clear above it'),
  clearBelowMm: clearance('Clear below it'),
  clearBesideMm: clearance('Clear beside it'),
  clearFrontMm: clearance('Clear before it'),
  betweenUnitsMm: clearance('Between two of them', 'as its fire test allows; empty: as the code says'),
  ingress: field(lineSchema(20), { label: 'Ingress class', hint: 'for example IP55, or 3R' }),
  noiseDb: field(amountSchema(0, 120, 'dB').nullable(), {
    label: 'Noise at 1 m',
    unit: 'dB',
    hint: 'A-weighted',
  }),
};

/** Temperatures it bears. */
export const temperatureFields = {
  coldestC: temperature('Works from'),
  hottestC: temperature('Works up to'),
  derateAboveC: temperature('Full power up to'),
  deratePerC: field(amountSchema(0, 0.2).nullable(), {
    label: 'Power lost above that',
    unit: 'share/°C',
  }),
  heaterW: field(amountSchema(1, 5000, 'W').nullable(), { label: 'Heater of its own', unit: 'W' }),
};

/** What the maker promises. */
export const warrantyFields = {
  warrantyYears: field(amountSchema(0, 50, 'years').nullable(), { label: 'Warranty', unit: 'yr' }),
  warrantyThroughputWh: field(amountSchema(1000, 1e10, 'Wh').nullable(), {
    label: 'Warranted throughput',
    unit: 'kWh',
  }),
};

/** So many of another item go with one of this. */
export const goesWithSchema = z.strictObject({
  itemId: idSchema,
  least: field(z.int('Enter a whole number').min(0).max(60), { label: 'At least', unit: 'count' }),
  most: field(z.int('Enter a whole number').min(1).max(60), { label: 'At most', unit: 'count' }),
  /** Only multiples of this are possible: blocks in series. */
  step: field(z.int('Enter a whole number').min(1).max(60), { label: 'In steps of', unit: 'count' }),
  /** For each one of this item, or for all of them together, where they share. */
  per: field(z.enum(['each', 'together'], { error: 'Choose each or together' }), {
    label: 'Counted',
    choices: [
      ['each', 'for each'],
      ['together', 'for all together'],
    ],
  }),
});
export type GoesWith = z.infer<typeof goesWithSchema>;

/** What must stand beside it: one for so many of this, or one for the whole system. */
export const needSchema = z.strictObject({
  itemId: idSchema,
  quantity: field(z.int('Enter a whole number').min(1).max(999), { label: 'How many', unit: 'count' }),
  /** For each so many of this item, begun ones counted; null = for the system, however many there are. */
  forEach: field(z.int('Enter a whole number').min(1).max(999).nullable(), {
    label: 'For each so many',
    unit: 'count',
    hint: 'empty: once for the whole system',
  }),
});
export type Need = z.infer<typeof needSchema>;

/** Where a rating was read, if not in the data sheet. */
export const ratingSourceSchema = z.strictObject({
  field: idSchema,
  source: lineSchema(200)
    .min(1, 'Say where it was read')
    .regex(/^[^;]*$/, 'Use a comma instead of a semicolon'),
});
