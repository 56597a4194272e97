import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  currencySchema,
  decimalSchema,
  field,
  idSchema,
  lineSchema,
  nameSchema,
} from '../base/index.js';
import { monthDays } from '../nature/index.js';

export const maxTariffs = 12;
export const maxSeasons = 6;
export const maxBands = 8;
export const maxWindows = 40;
const maxOther = 12;

const dayPattern = /^\d{4}-\d{2}-\d{2}$/;
const known = (date: string): boolean => new Date(`${date}T00:00:00Z`).toJSON()?.startsWith(date) ?? false;

/** One for all months: making one takes some milliseconds. */
const monthName = new Intl.DateTimeFormat('en', { month: 'long', timeZone: 'UTC' });

/** A part of the year with prices of its own: from its first day until the next one begins, over New Year too. */
export const tariffSeasonSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(40), { label: 'Season' }),
  fromMonth: field(countSchema(1, 12), {
    label: 'From month',
    choices: monthDays.map((_, index) => [index + 1, monthName.format(Date.UTC(2025, index, 1))]),
  }),
  fromDay: field(countSchema(1, 31), { label: 'Day', unit: 'count' }),
});
export type TariffSeason = z.infer<typeof tariffSeasonSchema>;

/** What a kilowatt-hour costs, and earns, in a band during one season; null = not known. Before tax. */
export const bandPriceSchema = z.strictObject({
  /** The season. */
  id: idSchema,
  importPerKWh: field(decimalSchema.nullable(), { label: 'A kWh costs', money: true }),
  exportPerKWh: field(decimalSchema.nullable(), { label: 'A kWh sent out earns', money: true }),
});

/** Hours that have one price. */
export const bandSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(40), { label: 'Band' }),
  prices: z.array(bandPriceSchema).max(maxSeasons),
});
export type Band = z.infer<typeof bandSchema>;

export const windowDays = ['all', 'workdays', 'weekend'] as const;
/** Quarter hours of a day, as a clock shows them. */
const clockChoices = (midnight: string): [number, string][] =>
  Array.from({ length: 96 }, (_, index) => {
    const [hour, minute] = [Math.floor(index / 4), (index % 4) * 15];
    const text = `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
    return [index * 15, index === 0 ? midnight : text];
  });
const minuteSchema = (label: string, midnight: string) =>
  field(countSchema(0, 1425).multipleOf(15, 'Use quarter hours'), { label, choices: clockChoices(midnight) });

/** When a band holds. The first window that fits counts; where none does, the first band. */
export const windowSchema = z.strictObject({
  id: idSchema,
  bandId: field(idSchema.clone(), { label: 'Band' }),
  /** Seasons it holds in; none = all of them. */
  seasonIds: z.array(idSchema).max(maxSeasons),
  days: field(z.enum(windowDays, { error: 'Choose every day, workdays or weekend' }), {
    label: 'Days',
    choices: [
      ['all', 'every day'],
      ['workdays', 'Monday to Friday, no holidays'],
      ['weekend', 'Saturday, Sunday, holidays'],
    ],
  }),
  /** From the first minute of the day up to, not with, the last; over midnight where the last comes first; the same twice: all day. */
  fromMin: minuteSchema('From', '00:00'),
  toMin: minuteSchema('To', '24:00'),
});
export type TariffWindow = z.infer<typeof windowSchema>;

/** What is added to the price of every kilowatt-hour of a month beyond so many. */
export const tierSchema = z.strictObject({
  id: idSchema,
  seasonIds: z.array(idSchema).max(maxSeasons),
  /** A month, or for each day of it. */
  per: field(z.enum(['month', 'day'], { error: 'Choose month or day' }), {
    label: 'In a',
    choices: [
      ['month', 'month'],
      ['day', 'day of the month'],
    ],
  }),
  aboveKWh: field(amountSchema(0, 1_000_000, 'kWh'), { label: 'Beyond, kWh', unit: 'factor' }),
  addPerKWh: field(decimalSchema.clone(), { label: 'A kWh costs more by', money: true }),
});
export type TariffTier = z.infer<typeof tierSchema>;

export const standingSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Charge' }),
  per: field(z.enum(['day', 'month'], { error: 'Choose day or month' }), {
    label: 'Each',
    choices: [
      ['day', 'day'],
      ['month', 'month'],
    ],
  }),
  amount: field(decimalSchema.clone(), { label: 'Amount', money: true }),
});
export type Standing = z.infer<typeof standingSchema>;

/** For the highest mean power of a month within its bands and seasons. */
export const demandChargeSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Charge' }),
  perKW: field(decimalSchema.clone(), { label: 'A kW of the month costs', money: true }),
  intervalMin: field(
    z.union([z.literal(15), z.literal(30), z.literal(60)], { error: 'Choose 15, 30 or 60' }),
    {
      label: 'Mean of',
      choices: [
        [15, '15 minutes'],
        [30, '30 minutes'],
        [60, 'an hour'],
      ],
    },
  ),
  seasonIds: z.array(idSchema).max(maxSeasons),
  bandIds: z.array(idSchema).max(maxBands),
});
export type DemandCharge = z.infer<typeof demandChargeSchema>;

export const tariffTaxSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(60), { label: 'Tax' }),
  rate: field(amountSchema(0, 1), { label: 'Rate', unit: 'share' }),
  on: field(z.enum(['charges', 'energy'], { error: 'Choose charges or energy' }), {
    label: 'On',
    choices: [
      ['charges', 'all charges'],
      ['energy', 'energy only'],
    ],
  }),
});
export type TariffTax = z.infer<typeof tariffTaxSchema>;

const shape = z.strictObject({
  id: idSchema,
  name: field(nameSchema(80), { label: 'Tariff' }),
  source: field(lineSchema(200), { label: 'Sheet it is from', hint: 'utility, number, date' }),
  currency: field(currencySchema.clone(), { label: 'Currency', hint: 'three letters, such as CAD' }),
  clock: field(z.enum(['zone', 'standard'], { error: 'Choose zone or standard' }), {
    label: 'Hours are those of',
    choices: [
      ['zone', 'the clock on the wall'],
      ['standard', 'standard time all year'],
    ],
  }),
  /** Whose public holidays count as weekend: "CA", "CA-NS", "DE-BY"; '' = none do. */
  holidays: field(
    z
      .string()
      .regex(
        /^([A-Z]{2}(-[A-Z0-9]{1,5}(-[A-Z0-9]{1,5})?)?)?$/,
        'Write a country, or country and region: CA, CA-NS',
      ),
    { label: 'Public holidays of', hint: 'CA or CA-NS; empty: they count as any day' },
  ),
  /** Further days that count as weekend. */
  extraHolidays: z
    .array(z.string().regex(dayPattern, 'Write the day as 2026-12-24').refine(known, 'There is no such day'))
    .max(60, 'Use at most 60 days'),
  seasons: z.array(tariffSeasonSchema).min(1, 'Keep at least one season').max(maxSeasons),
  /** The first one holds wherever no window says otherwise. */
  bands: z.array(bandSchema).min(1, 'Keep at least one band').max(maxBands),
  windows: z.array(windowSchema).max(maxWindows, `Use at most ${maxWindows} windows`),
  tiers: z.array(tierSchema).max(maxOther),
  /** "priced": what is sent out earns its price. "netted": it is set off against what is taken in the same band and month first. */
  exportRule: field(z.enum(['priced', 'netted'], { error: 'Choose priced or netted' }), {
    label: 'Energy sent out',
    choices: [
      ['priced', 'earns its price'],
      ['netted', 'is set off in the month, the rest earns its price'],
    ],
  }),
  standing: z.array(standingSchema).max(maxOther),
  demand: z.array(demandChargeSchema).max(maxOther),
  taxes: z.array(tariffTaxSchema).max(maxOther),
  /** The least a month comes to, before tax; null = no such rule. */
  minimumPerMonth: field(decimalSchema.nullable(), { label: 'A month comes to at least', money: true }),
});

/** What a utility charges for a meter. Prices are before tax; a tariff file holds any number of these. */
export const tariffSchema = shape.superRefine((tariff, context) => {
  for (const { path, message } of tariffProblems(tariff)) context.addIssue({ code: 'custom', path, message });
});
export type Tariff = z.infer<typeof shape>;
/** Its fields, for forms. */
export const tariffFields = shape.shape;

/** What its fields alone cannot say. */
function tariffProblems(tariff: Tariff): { path: (string | number)[]; message: string }[] {
  const problems: { path: (string | number)[]; message: string }[] = [];
  const ids = (list: readonly { readonly id: string }[]): Set<string> => new Set(list.map(({ id }) => id));
  const [seasons, bands] = [ids(tariff.seasons), ids(tariff.bands)];
  for (const key of ['seasons', 'bands', 'windows', 'tiers', 'standing', 'demand', 'taxes'] as const)
    if (ids(tariff[key]).size < tariff[key].length)
      problems.push({ path: [key], message: `Two entries of ${key} share an identifier` });
  const begins = new Set<string>();
  tariff.seasons.forEach(({ fromMonth, fromDay }, index) => {
    const most = fromMonth === 2 ? 29 : monthDays[fromMonth - 1]!;
    if (fromDay > most)
      problems.push({ path: ['seasons', index, 'fromDay'], message: `This month has ${most} days` });
    const begin = `${fromMonth}-${fromDay}`;
    if (begins.has(begin))
      problems.push({ path: ['seasons', index, 'fromMonth'], message: 'Two seasons begin on the same day' });
    begins.add(begin);
  });
  const check = (path: (string | number)[], found: boolean, what: string): unknown =>
    found || problems.push({ path, message: `There is no such ${what}` });
  tariff.bands.forEach(({ prices }, index) => {
    if (ids(prices).size < prices.length)
      problems.push({ path: ['bands', index, 'prices'], message: 'A season has two prices here' });
    for (const { id } of prices) check(['bands', index, 'prices'], seasons.has(id), 'season');
  });
  tariff.windows.forEach(({ bandId, seasonIds }, index) => {
    check(['windows', index, 'bandId'], bands.has(bandId), 'band');
    for (const id of seasonIds) check(['windows', index, 'seasonIds'], seasons.has(id), 'season');
  });
  for (const key of ['tiers', 'demand'] as const)
    tariff[key].forEach(({ seasonIds }, index) => {
      for (const id of seasonIds) check([key, index, 'seasonIds'], seasons.has(id), 'season');
    });
  tariff.demand.forEach(({ bandIds }, index) => {
    for (const id of bandIds) check(['demand', index, 'bandIds'], bands.has(id), 'band');
  });
  return problems;
}
