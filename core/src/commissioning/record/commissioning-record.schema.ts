import * as z from 'zod';
import { instrumentSchema, punchItemSchema, signatureSchema, stagedOutageSchema } from '../../house/index.js';
import { phases } from '../steps/step.js';

const values = Object.values(phases);

/** A step as it stands in a record that leaves the program: plain values, units in the names. The columns of the CSV are these, too. */
export const recordRowSchema = z.strictObject({
  step: z.string().describe('Name of the step; the same as long as the design has what it is about'),
  phase: z.enum(values as [string, ...string[]]),
  title: z.string(),
  predicted: z.number().nullable().describe('What the design predicts, in the unit; null = only a bound'),
  least: z.number().nullable(),
  most: z.number().nullable(),
  reading: z.number().nullable(),
  unit: z.string().describe("SI unit of predicted, least, most and reading; 'share' is a part of one"),
  isSo: z.boolean().nullable().describe('The answer of a step that asks whether something is so'),
  verdict: z.enum(['open', 'right', 'off']),
  likely: z.string().describe('Likely causes of what is off'),
  by: z.string(),
  at: z.string().describe("Moment, ISO 8601; '' = none"),
  instrument: z.string(),
  calibratedOn: z.string(),
  device: z.string().describe("Device of the system the reading came from; '' = somebody typed it"),
  photos: z.string().describe('SHA-256 of the photos of the step, separated by blanks'),
  note: z.string(),
  override: z.string().describe('Why it was done before its turn, by whom, when'),
});
export type RecordRow = Readonly<z.infer<typeof recordRowSchema>>;

/** From when to when somebody was there, and what was done. */
export const visitSchema = z.strictObject({
  from: z.iso.datetime(),
  to: z.iso.datetime(),
  by: z.array(z.string()),
  steps: z.int().describe('How many steps were answered'),
});
export type Visit = Readonly<z.infer<typeof visitSchema>>;

/** What was found when a system was put into service, as it leaves the program. */
export const commissioningRecordSchema = z.strictObject({
  format: z.literal('levamen-commissioning'),
  version: z.literal(3),
  job: z.string(),
  steps: z.array(recordRowSchema),
  visits: z.array(visitSchema),
  instruments: z.array(instrumentSchema),
  punch: z.array(punchItemSchema),
  signatures: z.array(signatureSchema),
  outages: z
    .array(stagedOutageSchema)
    .describe('Staged outages that were recorded, and what was said during them'),
});
export type CommissioningRecord = Readonly<z.infer<typeof commissioningRecordSchema>>;
