import { groupBy } from '../../base/index.js';
import type { Logbook, PunchItem } from '../../house/index.js';

export const dueKinds = ['date', 'warranty', 'left-to-do'] as const;
export type DueKind = (typeof dueKinds)[number];

/** Something of a house that is due on a day. */
export interface DueDate {
  readonly id: string;
  readonly kind: DueKind;
  /** What it is, in words. */
  readonly text: string;
  /** "2026-02-28". */
  readonly on: string;
}

/** Days before a warranty ends on which somebody looks at the unit once more. */
const warrantyLeadDays = 60;

/**
 * Everything that is due, the earliest first: what comes back, warranties that end, and what was left to do with a day.
 *
 * @param punch what commissioning left to do
 */
export function dueDates(
  { dates, units }: Pick<Logbook, 'dates' | 'units'>,
  punch: readonly PunchItem[] = [],
): DueDate[] {
  const due: DueDate[] = [
    ...dates.flatMap(({ id, text, dueOn }): DueDate[] =>
      dueOn === null ? [] : [{ id, kind: 'date', text, on: dueOn }],
    ),
    ...warranties(units),
    ...punch.flatMap(({ id, text, dueOn, doneOn }): DueDate[] =>
      dueOn === null || doneOn !== null ? [] : [{ id, kind: 'left-to-do', text, on: dueOn }],
    ),
  ];
  return due.toSorted((a, b) => a.on.localeCompare(b.on));
}

/** Warranties that end on one day are one thing to do. */
function warranties(units: Logbook['units']): DueDate[] {
  const ending = units.flatMap(({ id, name, builtInOn, warrantyYears }) =>
    builtInOn === null || warrantyYears === null
      ? []
      : [{ id, name, ends: monthsAfter(builtInOn, Math.round(warrantyYears * 12)) }],
  );
  return [...groupBy(ending, ({ ends }) => ends)].map(([ends, together]) => ({
    id: together[0]!.id,
    kind: 'warranty' as const,
    text: `Warranty of ${together.length === 1 ? together[0]!.name : `${together.length} units`} ends on ${ends}`,
    on: daysBefore(ends),
  }));
}

const daysBefore = (day: string): string =>
  new Date(Date.parse(day) - warrantyLeadDays * 86_400_000).toISOString().slice(0, 10);

/**
 * A day some months later; the last of the month where that has no such day.
 *
 * @example monthsAfter('2026-01-31', 1) // '2026-02-28'
 */
export function monthsAfter(day: string, months: number): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const first = new Date(Date.UTC(year, month - 1 + months, 1));
  const lastOfMonth = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  first.setUTCDate(Math.min(date, lastOfMonth));
  return first.toISOString().slice(0, 10);
}
