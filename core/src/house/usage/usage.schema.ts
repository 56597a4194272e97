import * as z from 'zod';
import { amountSchema, field, idSchema, lineSchema, nameSchema } from '../../base/index.js';

/** A calendar day, "2026-02-28". */
export const daySchema = z.iso.date('Write the day as 2026-02-28');
/** A moment in UTC, "2026-02-28T22:05:00Z". The clock of the house shows it in the zone of the site. */
export const instantSchema = z.iso.datetime({ error: 'Write the moment in UTC, as 2026-02-28T22:05:00Z' });

/** One bill. The period ends before `toDay`, so that bills follow each other without a gap. */
export const billSchema = z.strictObject({
  id: idSchema,
  fromDay: daySchema,
  toDay: daySchema,
  energyWh: amountSchema(0, 100_000_000, 'Wh'),
  /** Energy sent to the grid in the same period; null = not on the bill. */
  exportWh: amountSchema(0, 100_000_000, 'Wh').nullable(),
});
export type Bill = z.infer<typeof billSchema>;

export const outageSchema = z.strictObject({
  id: idSchema,
  start: instantSchema,
  durationS: amountSchema(0.01, 90 * 86_400, 's'),
});
export type Outage = z.infer<typeof outageSchema>;

/** Yearly indices of a utility after IEEE 1366. */
export const reliabilitySchema = z.strictObject({
  /** SAIFI: sustained interruptions a customer and year. */
  interruptionsPerYear: amountSchema(0, 1000),
  /** SAIDI: minutes a customer and year. */
  minutesPerYear: amountSchema(0, 500_000, 'min'),
});
export type Reliability = z.infer<typeof reliabilitySchema>;

const powerW = amountSchema(-1_000_000, 1_000_000, 'W');

/** What the meter data says, kept with the job; the readings themselves are kept beside it. */
export const measurementSchema = z.strictObject({
  setId: z.uuid('A measurement names the readings it rests on'),
  name: nameSchema(120),
  fromDay: daySchema,
  toDay: daySchema,
  intervalS: amountSchema(1, 86_400, 's'),
  /** Highest mean over a quarter of an hour (or over an interval, where that is longer). */
  highestW: powerW,
  highestAt: instantSchema,
  meanW: powerW,
  baseW: powerW,
  channels: z
    .array(z.strictObject({ name: lineSchema(80), meanW: powerW, peakW: powerW }))
    .max(128, 'Use at most 128 channels'),
});
export type Measurement = z.infer<typeof measurementSchema>;

export const usageSchema = z.strictObject({
  bills: z.array(billSchema).max(120, 'Use at most 120 bills'),
  outages: z.array(outageSchema).max(1000, 'Use at most 1000 outages'),
  /** Years the list of outages covers; null = from the first to the last. */
  outageYears: field(amountSchema(0.1, 60, 'years').nullable(), {
    label: 'Years the list covers',
    unit: 'yr',
    hint: 'empty: from the first to the last',
  }),
  reliability: reliabilitySchema.nullable(),
  measurement: measurementSchema.nullable(),
});
export type Usage = z.infer<typeof usageSchema>;

export const emptyUsage = (): Usage => ({
  bills: [],
  outages: [],
  outageYears: null,
  reliability: null,
  measurement: null,
});
