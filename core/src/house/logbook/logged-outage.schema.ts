import * as z from 'zod';
import { amountSchema, field, idSchema, lineSchema, nameSchema, noteSchema } from '../../base/index.js';

/** Outages are followed for two weeks, h. */
export const longestLoggedH = 14 * 24;

/** An outage that happened, with what is known of it; null = not known. What its recording shows counts before what was typed. */
export const loggedOutageSchema = z.strictObject({
  id: idSchema,
  /** What it is called: "Ice storm". */
  name: field(nameSchema(120), { label: 'Outage' }),
  islandId: field(idSchema.clone(), { label: 'Island' }),
  /** The year of weather it really was, read from a file; null = none was. */
  weatherId: field(idSchema.nullable(), {
    label: 'Weather of that year',
    hint: 'an hourly year of measurements, EPW or TMY3, as read in Outage',
  }),
  /** When the grid went away. */
  from: z.iso.datetime({ message: 'Write the moment as 2026-02-28T14:05:00Z' }),
  source: field(z.enum(['gateway', 'file', 'typed'], { error: 'Choose where it is known from' }), {
    label: 'Known from',
    choices: [
      ['gateway', 'the system itself'],
      ['file', 'a file of readings'],
      ['typed', 'what people say'],
    ],
  }),
  /** What was recorded of it, beside the job. */
  recordingId: z.uuid().nullable(),
  /** Until the grid was back. */
  lastedH: field(amountSchema(1 / 60, longestLoggedH, 'h'), { label: 'Grid away for', unit: 'h' }),
  /** Until the battery was empty; null = it was not. */
  emptyAfterH: field(amountSchema(1 / 60, longestLoggedH, 'h').nullable(), {
    label: 'Battery empty after',
    unit: 'h',
    hint: 'empty: it held',
  }),
  startCharge: field(amountSchema(0.01, 1).nullable(), { label: 'Charge at the start', unit: 'share' }),
  endCharge: field(amountSchema(0, 1).nullable(), { label: 'Charge at the end', unit: 'share' }),
  /** Mean power of the house without what the system itself takes. */
  meanW: field(amountSchema(0, 100_000, 'W').nullable(), { label: 'Mean power of the house', unit: 'W' }),
  /** What the arrays gave in all. */
  sunWh: field(amountSchema(0, 10_000_000, 'Wh').nullable(), { label: 'Energy of the sun', unit: 'kWh' }),
  generatorWh: field(amountSchema(0, 10_000_000, 'Wh').nullable(), {
    label: 'Energy of the generator',
    unit: 'kWh',
  }),
  outdoorC: field(amountSchema(-60, 60, '°C').nullable(), { label: 'Mean outdoor temperature', unit: '°C' }),
  sky: field(z.enum(['clear', 'mixed', 'dull'], { error: 'Choose clear, mixed or dull' }).nullable(), {
    label: 'Sky',
    choices: [
      [null, 'nobody knows'],
      ['clear', 'clear'],
      ['mixed', 'mixed'],
      ['dull', 'dull'],
    ],
  }),
  household: field(z.enum(['usual', 'saving'], { error: 'Choose usual or saving' }).nullable(), {
    label: 'Household',
    choices: [
      [null, 'nobody knows'],
      ['usual', 'lived as usual'],
      ['saving', 'saved'],
    ],
  }),
  cause: field(lineSchema(200), { label: 'What took the grid away' }),
  /** Why it went otherwise than predicted, once somebody knows. */
  found: field(noteSchema(1000), { label: 'What was found', rows: 2 }),
});
export type LoggedOutage = z.infer<typeof loggedOutageSchema>;

/** An outage of which nothing more is known than this. */
export const newLoggedOutage = (
  known: Pick<LoggedOutage, 'id' | 'name' | 'islandId' | 'from' | 'source' | 'lastedH'> &
    Partial<LoggedOutage>,
): LoggedOutage => ({
  weatherId: null,
  recordingId: null,
  emptyAfterH: null,
  startCharge: null,
  endCharge: null,
  meanW: null,
  sunWh: null,
  generatorWh: null,
  outdoorC: null,
  sky: null,
  household: null,
  cause: '',
  found: '',
  ...known,
});
