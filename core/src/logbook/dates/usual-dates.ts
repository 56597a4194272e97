import type { Plan } from '../../design/index.js';
import type { RecurringDate } from '../../house/index.js';
import { monthsAfter } from './due-dates.js';

/** What usually comes back in a house that is backed up (common practice, no source). */
const usual: readonly Omit<RecurringDate, 'dueOn' | 'doneOn'>[] = [
  { id: 'test-outage', kind: 'test-outage', text: 'Test outage with the household', everyMonths: 12 },
  {
    id: 'service',
    kind: 'service',
    text: 'Terminals, filters, seals and firmware looked at',
    everyMonths: 24,
  },
];
const exercise: Omit<RecurringDate, 'dueOn' | 'doneOn'> = {
  id: 'exercise',
  kind: 'exercise',
  text: 'The generator runs under load, and starts by itself',
  everyMonths: 1,
};

/** The usual dates a logbook does not have yet, counted from a day. */
export function usualDates(
  { sources, logbook }: Pick<Plan, 'sources' | 'logbook'>,
  day: string,
): RecurringDate[] {
  const kinds = new Set(logbook.dates.map(({ kind }) => kind));
  return [...usual, ...(sources.generator ? [exercise] : [])]
    .filter(({ kind }) => !kinds.has(kind))
    .map((date) => ({ ...date, dueOn: monthsAfter(day, date.everyMonths ?? 12), doneOn: [] }));
}
