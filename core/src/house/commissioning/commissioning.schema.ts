import * as z from 'zod';
import { amountSchema, field, idSchema, lineSchema, nameSchema, noteSchema } from '../../base/index.js';

import { stagedOutageSchema, systemAddressSchema } from './system.schema.js';

const day = () => z.iso.date('Write the day as 2026-02-28');
const moment = () => z.iso.datetime({ message: 'Write the moment as 2026-02-28T14:05:00Z' });

/** A step is named by what it is about, as long as the design has that: "voltage:bus:cellar:L1-N". */
export const stepIdSchema = nameSchema(160);

const ofStep = 'step:';
/** What a photo taken at a step is about. */
export const aboutStep = (stepId: string): string => ofStep + stepId;
/** Is a photo about a step, whichever? */
export const isAboutStep = (aboutId: string): boolean => aboutId.startsWith(ofStep);
export const aboutStepSchema = nameSchema(160 + ofStep.length).refine(
  isAboutStep,
  'A photo is about something of the survey, or about a step of commissioning',
);

/** That somebody goes on although something before is not done, and why. */
const overrideSchema = z.strictObject({
  reason: nameSchema(300),
  by: lineSchema(120),
  at: moment(),
});

/** What was found at a step. */
export const stepEntrySchema = z.strictObject({
  /** Of the step: it is answered once, and again where it is measured again. */
  id: stepIdSchema,
  /** In the unit of the step; null = nothing was measured. */
  reading: amountSchema(-1e9, 1e9).nullable(),
  /** Of a step that asks whether something is so; null = not answered. */
  isSo: z.boolean().nullable(),
  by: field(lineSchema(120), { label: 'By' }),
  at: moment().nullable(),
  /** Instrument by its id; '' = none, or nobody said. */
  instrumentId: z.union([z.literal(''), idSchema]),
  /** The device of the system it was read from; '' = somebody typed it. */
  device: lineSchema(120),
  note: field(noteSchema(1000), { label: 'Note', rows: 2 }),
  override: overrideSchema.nullable(),
});
export type StepEntry = z.infer<typeof stepEntrySchema>;

export const instrumentSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(120), { label: 'Instrument', hint: 'what it is and its serial number' }),
  calibratedOn: field(day().nullable(), { label: 'Calibrated on' }),
});
export type Instrument = z.infer<typeof instrumentSchema>;

/** What is left to be done, found at a step or beside all of them. */
export const punchItemSchema = z.strictObject({
  id: idSchema,
  text: field(nameSchema(300), { label: 'What is left to do' }),
  stepId: z.union([z.literal(''), stepIdSchema]),
  who: field(lineSchema(120), { label: 'Who' }),
  dueOn: field(day().nullable(), { label: 'By when' }),
  /** Done on; null = it is open. */
  doneOn: field(day().nullable(), { label: 'Done on' }),
});
export type PunchItem = z.infer<typeof punchItemSchema>;

/** A step somebody added to those that follow from the design. */
export const addedStepSchema = z.strictObject({
  id: idSchema,
  title: field(nameSchema(160), { label: 'What is to be checked' }),
  how: field(noteSchema(600), { label: 'How', rows: 2 }),
});
export type AddedStep = z.infer<typeof addedStepSchema>;

/** That one of both sides takes the work over as it is. */
export const signatureSchema = z.strictObject({
  /** Each side signs once. */
  id: z.enum(['installer', 'household'], { error: 'Choose who signs' }),
  name: field(nameSchema(120), { label: 'Name' }),
  at: moment(),
  /** Lines as they were drawn, x and y in thousandths of the width, one after the other; null = signed by name only. */
  strokes: z
    .array(
      z
        .array(z.int('Whole numbers').min(0).max(1000))
        .min(2)
        .max(2000)
        .refine(({ length }) => length % 2 === 0, 'Give x and y'),
    )
    .max(60)
    .nullable(),
});
export type Signature = z.infer<typeof signatureSchema>;

/** A drawn line of a signature as the path of a picture a thousand wide. */
export const strokePath = (numbers: readonly number[]): string =>
  numbers.reduce(
    (path, value, index) => path + (index === 0 ? 'M' : index % 2 === 0 ? ' L' : ' ') + value,
    '',
  );

const mostEntries = 600;

/** What was found when the design was built and put into service. */
export const commissioningSchema = z.strictObject({
  entries: z.array(stepEntrySchema).max(mostEntries, `A record holds at most ${mostEntries} steps`),
  instruments: z.array(instrumentSchema).max(20, 'A record names at most 20 instruments'),
  added: z.array(addedStepSchema).max(60, 'A record holds at most 60 steps of its own'),
  punch: z.array(punchItemSchema).max(200, 'A record holds at most 200 items left to do'),
  signatures: z.array(signatureSchema).max(2, 'Each side signs once'),
  /** Where its devices are asked; null = nobody said. */
  system: systemAddressSchema.nullable(),
  outages: z.array(stagedOutageSchema).max(20, 'A record names at most 20 staged outages'),
});
export type Commissioning = z.infer<typeof commissioningSchema>;

/** Of a job in which nothing was put into service yet. */
export const emptyCommissioning = (): Commissioning => ({
  entries: [],
  instruments: [],
  added: [],
  punch: [],
  signatures: [],
  system: null,
  outages: [],
});

/** A step of which nothing is known yet. */
const emptyEntry = (id: string): StepEntry => ({
  id,
  reading: null,
  isSo: null,
  by: '',
  at: null,
  instrumentId: '',
  device: '',
  note: '',
  override: null,
});

/** What was found at a step. */
export const entryOf = ({ entries }: Commissioning, stepId: string): StepEntry =>
  entries.find(({ id }) => id === stepId) ?? emptyEntry(stepId);

/** The record with something else said of a step; a step of which nothing is said is not in it. */
export function sayOfStep(
  record: Commissioning,
  stepId: string,
  change: Partial<Omit<StepEntry, 'id'>>,
): Commissioning {
  const entry = { ...entryOf(record, stepId), ...change };
  const isSaid =
    entry.reading !== null || entry.isSo !== null || entry.note !== '' || entry.override !== null;
  const known = record.entries.some(({ id }) => id === stepId);
  const entries = !isSaid
    ? record.entries.filter(({ id }) => id !== stepId)
    : known
      ? record.entries.map((one) => (one.id === stepId ? entry : one))
      : [...record.entries, entry];
  return { ...record, entries };
}
