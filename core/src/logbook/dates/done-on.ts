import type { RecurringDate } from '../../house/index.js';
import { monthsAfter } from './due-dates.js';

/** A date that was kept on a day: it comes back so many months after that, or not at all. */
export const doneOn = (date: RecurringDate, day: string): RecurringDate => ({
  ...date,
  doneOn: [...date.doneOn.filter((one) => one !== day), day].toSorted(),
  dueOn: date.everyMonths === null ? null : monthsAfter(day, date.everyMonths),
});
