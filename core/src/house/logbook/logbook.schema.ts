import * as z from 'zod';
import {
  amountSchema,
  countSchema,
  digestSchema,
  field,
  idSchema,
  lineSchema,
  nameSchema,
  noteSchema,
} from '../../base/index.js';
import { loggedOutageSchema } from './logged-outage.schema.js';

const day = () => z.iso.date('Write the day as 2026-02-28');

/** A unit that hangs on the wall, as it was built in. */
export const loggedUnitSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(120), { label: 'Unit' }),
  /** The item of the list it is; '' = none of them. */
  itemId: z.union([z.literal(''), idSchema]),
  serial: field(lineSchema(80), { label: 'Serial number' }),
  firmware: field(lineSchema(60), { label: 'Firmware', hint: 'as it was put into service' }),
  builtInOn: field(day().nullable(), { label: 'Built in on' }),
  warrantyYears: field(amountSchema(0.5, 40, 'years').nullable(), {
    label: 'Warranty',
    unit: 'yr',
    hint: 'from the day it was built in',
  }),
  /** Of a battery: so much of its capacity is warranted when the warranty ends. */
  warrantedShare: field(amountSchema(0.1, 1).nullable(), {
    label: 'Capacity warranted then',
    unit: 'share',
    hint: 'of a battery; empty: 70 %, as is usual',
  }),
  note: field(noteSchema(600), { label: 'Note', rows: 2 }),
});
export type LoggedUnit = z.infer<typeof loggedUnitSchema>;

/** A unit of which nothing more is known than this. */
export const newLoggedUnit = (known: Pick<LoggedUnit, 'id' | 'name'> & Partial<LoggedUnit>): LoggedUnit => ({
  itemId: '',
  serial: '',
  firmware: '',
  builtInOn: null,
  warrantyYears: null,
  warrantedShare: null,
  note: '',
  ...known,
});

/** What was built otherwise than it was designed. */
export const deviationSchema = z.strictObject({
  id: idSchema,
  /** What it is about, by its place in the drawing; '' = none of them. */
  aboutId: field(z.union([z.literal(''), nameSchema(160)]), { label: 'On the drawing at' }),
  what: field(nameSchema(160), { label: 'What' }),
  designed: field(lineSchema(200), { label: 'As designed' }),
  built: field(nameSchema(200), { label: 'As built' }),
  why: field(noteSchema(400), { label: 'Why', rows: 2 }),
  on: field(day().nullable(), { label: 'On' }),
});
export type Deviation = z.infer<typeof deviationSchema>;

const visitKinds = ['test-outage', 'exercise', 'service', 'fault', 'update', 'other'] as const;
const changeKinds = ['setting', 'firmware', 'part'] as const;
export type ChangeKind = (typeof changeKinds)[number];

/** Something that is otherwise since a visit. */
export const loggedChangeSchema = z.strictObject({
  id: idSchema,
  kind: field(z.enum(changeKinds, { error: 'Choose what was changed' }), {
    label: 'What was changed',
    choices: [
      ['setting', 'A setting'],
      ['firmware', 'Firmware'],
      ['part', 'A part was replaced'],
    ],
  }),
  /** The unit it was changed in; '' = none of them. */
  unitId: field(z.union([z.literal(''), idSchema]), { label: 'In which unit' }),
  what: field(nameSchema(120), { label: 'Which' }),
  before: field(lineSchema(120), { label: 'Before', hint: 'of a part: its serial number' }),
  after: field(lineSchema(120), { label: 'After' }),
});
export type LoggedChange = z.infer<typeof loggedChangeSchema>;

/** Somebody was there, or changed something from afar. */
export const visitSchema = z.strictObject({
  id: idSchema,
  on: field(day(), { label: 'On' }),
  by: field(lineSchema(120), { label: 'By' }),
  kind: field(z.enum(visitKinds, { error: 'Choose why' }), {
    label: 'Why',
    choices: [
      ['test-outage', 'Yearly test outage'],
      ['exercise', 'Generator was run'],
      ['service', 'Service'],
      ['fault', 'A fault'],
      ['update', 'Update from afar'],
      ['other', 'Something else'],
    ],
  }),
  text: field(noteSchema(2000), { label: 'What was found and done', rows: 3 }),
  changes: z.array(loggedChangeSchema).max(60, 'A visit lists at most 60 changes'),
});
export type Visit = z.infer<typeof visitSchema>;

const dateKinds = ['test-outage', 'exercise', 'service', 'other'] as const;

/** Something that comes back. */
export const recurringDateSchema = z.strictObject({
  id: idSchema,
  kind: field(z.enum(dateKinds, { error: 'Choose what is due' }), {
    label: 'What is due',
    choices: [
      ['test-outage', 'Test outage'],
      ['exercise', 'Run of the generator'],
      ['service', 'Service'],
      ['other', 'Something else'],
    ],
  }),
  text: field(nameSchema(160), { label: 'In words' }),
  everyMonths: field(countSchema(1, 120).nullable(), {
    label: 'Every so many months',
    unit: 'count',
    hint: 'empty: once',
  }),
  /** null = it was done, and does not come back. */
  dueOn: field(day().nullable(), { label: 'Next on' }),
  doneOn: z.array(day()).max(400, 'A date is kept with at most 400 days on which it was done'),
});
export type RecurringDate = z.infer<typeof recurringDateSchema>;

/** A file that is kept with the job is no larger. */
export const maxDocumentBytes = 20_000_000;

/** A document that belongs to the house. */
export const logDocumentSchema = z.strictObject({
  id: idSchema,
  name: field(nameSchema(160), { label: 'Document' }),
  on: field(day().nullable(), { label: 'Of' }),
  where: field(lineSchema(200), { label: 'Where it is kept', hint: 'a folder, a binder, an address' }),
  /** Of the file that is kept with the job; null = none is. */
  file: z
    .strictObject({
      digest: digestSchema('file'),
      bytes: countSchema(1, maxDocumentBytes),
    })
    .nullable(),
});
export type LogDocument = z.infer<typeof logDocumentSchema>;

/** That loads were brought in line with what outages showed of them. */
export const calibrationSchema = z.strictObject({
  id: idSchema,
  on: day(),
  by: lineSchema(120),
  /** What loads take over what was entered: those that run in any weather, and those that heat and cool. */
  ordinaryTimes: amountSchema(0.1, 10),
  weatherTimes: amountSchema(0.1, 10),
  says: lineSchema(300),
});
export type Calibration = z.infer<typeof calibrationSchema>;

/** The life of a house after it was handed over. */
export const logbookSchema = z.strictObject({
  units: z.array(loggedUnitSchema).max(120, 'A logbook lists at most 120 units'),
  deviations: z.array(deviationSchema).max(200, 'A logbook lists at most 200 deviations'),
  visits: z.array(visitSchema).max(400, 'A logbook holds at most 400 visits'),
  dates: z.array(recurringDateSchema).max(60, 'A logbook holds at most 60 dates'),
  outages: z.array(loggedOutageSchema).max(300, 'A logbook holds at most 300 outages'),
  documents: z.array(logDocumentSchema).max(120, 'A logbook lists at most 120 documents'),
  calibrations: z.array(calibrationSchema).max(60, 'A logbook holds at most 60 calibrations'),
});
export type Logbook = z.infer<typeof logbookSchema>;

/** Of a house of which nothing was written down yet. */
export const emptyLogbook = (): Logbook => ({
  units: [],
  deviations: [],
  visits: [],
  dates: [],
  outages: [],
  documents: [],
  calibrations: [],
});
