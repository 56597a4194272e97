import { DateTime } from 'luxon';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { emptyLogbook, newLoggedUnit, type RecurringDate } from '../../house/index.js';
import { doneOn } from './done-on.js';
import { dueDates, monthsAfter } from './due-dates.js';
import { usualDates } from './usual-dates.js';

const unit = newLoggedUnit({ id: 'u', name: 'Pack', builtInOn: '2023-10-17', warrantyYears: 10 });
const yearly: RecurringDate = {
  id: 'test',
  kind: 'test-outage',
  text: 'Test outage',
  everyMonths: 12,
  dueOn: '2025-10-16',
  doneOn: ['2024-10-16'],
};

describe('months after a day', () => {
  it('are those of luxon', () => {
    const day = fc.date({ min: new Date('1990-01-01'), max: new Date('2090-12-31'), noInvalidDate: true });
    fc.assert(
      fc.property(day, fc.integer({ min: 0, max: 480 }), (date, months) => {
        const text = date.toISOString().slice(0, 10);
        const expected = DateTime.fromISO(text, { zone: 'utc' }).plus({ months }).toISODate();
        expect(monthsAfter(text, months)).toBe(expected);
      }),
    );
  });
});

describe('what is due', () => {
  it('comes in the order of its days, warranties of one day together and ahead of their end', () => {
    const due = dueDates(
      { dates: [yearly], units: [unit, { ...unit, id: 'v' }, { ...unit, id: 'w', builtInOn: null }] },
      [
        { id: 'p', text: 'Seal the conduit', stepId: '', who: '', dueOn: '2025-01-05', doneOn: null },
        { id: 'q', text: 'Done already', stepId: '', who: '', dueOn: '2025-01-05', doneOn: '2025-01-04' },
      ],
    );
    expect(due.map(({ on, text }) => [on, text])).toEqual([
      ['2025-01-05', 'Seal the conduit'],
      ['2025-10-16', 'Test outage'],
      ['2033-08-18', 'Warranty of 2 units ends on 2033-10-17'],
    ]);
  });

  it('comes back when it was done, or not at all', () => {
    expect(doneOn(yearly, '2025-10-20')).toMatchObject({
      dueOn: '2026-10-20',
      doneOn: ['2024-10-16', '2025-10-20'],
    });
    expect(doneOn({ ...yearly, everyMonths: null }, '2025-10-20').dueOn).toBeNull();
    // Twice on one day is once.
    expect(doneOn(doneOn(yearly, '2025-10-20'), '2025-10-20').doneOn).toHaveLength(2);
  });

  it('is the yearly test at first, and the run of a generator where there is one', () => {
    const { plan } = demoPlans[0]!;
    const bare = { ...plan, logbook: emptyLogbook() };
    const kinds = (sources: typeof plan.sources): string[] =>
      usualDates({ ...bare, sources }, '2026-01-31').map(({ kind, dueOn }) => `${kind} ${dueOn}`);
    expect(kinds({ ...plan.sources, generator: null })).toEqual([
      'test-outage 2027-01-31',
      'service 2028-01-31',
    ]);
    const generator = { ...plan.sources.generator } as NonNullable<typeof plan.sources.generator>;
    expect(kinds({ ...plan.sources, generator })).toContain('exercise 2026-02-28');
    expect(
      usualDates(
        {
          ...bare,
          sources: { ...plan.sources, generator: null },
          logbook: { ...bare.logbook, dates: [yearly] },
        },
        '2026-01-31',
      ).map(({ kind }) => kind),
    ).toEqual(['service']);
  });
});
