import * as z from 'zod';
import { amountSchema, field } from '../../base/index.js';
import { courseStateNames } from '../../house/index.js';

/** Weather is said for so many days at most. */
export const mostDaysAhead = 8;
const longestH = 7 * 24;

/** The weather of one day, as far as somebody knows it; null = as in the years that are reckoned with. */
export const dayAheadSchema = z.strictObject({
  outdoorC: field(amountSchema(-60, 60, '°C').nullable(), {
    label: 'Mean outdoor temperature',
    unit: '°C',
    hint: 'of the whole day; empty: as usual',
  }),
  sky: field(z.enum(['clear', 'mixed', 'dull'], { error: 'Choose clear, mixed or dull' }).nullable(), {
    label: 'Sky',
    choices: [
      [null, 'as usual'],
      ['clear', 'clear'],
      ['mixed', 'mixed'],
      ['dull', 'dull'],
    ],
  }),
});
export type DayAhead = z.infer<typeof dayAheadSchema>;

/** An outage that has not happened, of which all houses of a company are asked. */
export const housesQuestionSchema = z.strictObject({
  /** When the grid would go away. */
  from: z.iso.datetime({ message: 'Write the moment as 2026-02-28T14:05:00Z' }),
  hours: field(amountSchema(1, longestH, 'h'), { label: 'Grid away for', unit: 'h' }),
  startCharge: field(amountSchema(0.05, 1).nullable(), {
    label: 'Charge at the start',
    unit: 'share',
    hint: 'empty: as each design assumes',
  }),
  /** The first is the day on which it begins, by the clock of each house. */
  days: z.array(dayAheadSchema).max(mostDaysAhead, `Say the weather of at most ${mostDaysAhead} days`),
  /** Of which jobs, by how far they are. */
  states: z.array(z.enum(courseStateNames)).min(1, 'Choose at least one state of jobs'),
});
export type HousesQuestion = z.infer<typeof housesQuestionSchema>;
/** What one house is asked. */
export type OutageAsked = Omit<HousesQuestion, 'states'>;
