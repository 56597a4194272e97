import { DateTime } from 'luxon';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { minuteOfYear } from './minute-of-year.js';

describe('the minute of a year', () => {
  it('counts on the standard time of the place', () => {
    expect(minuteOfYear('2024-01-01T05:30:00Z', -5)).toBe(30);
    expect(minuteOfYear('2023-12-31T23:30:00Z', 1)).toBe(30);
    expect(minuteOfYear('2024-02-29T12:00:00Z', 0)).toBe(minuteOfYear('2024-02-28T12:00:00Z', 0));
    expect(minuteOfYear('2024-03-01T00:00:00Z', 0)).toBe(minuteOfYear('2023-03-01T00:00:00Z', 0));
  });

  it('is that of luxon in common years', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 525_599 }),
        fc.integer({ min: -11, max: 13 }),
        (minute, zoneH) => {
          const local = DateTime.fromObject(
            { year: 2023 },
            { zone: `UTC${zoneH < 0 ? zoneH : `+${zoneH}`}` },
          ).plus({ minutes: minute });
          expect(minuteOfYear(local.toUTC().toISO()!, zoneH)).toBe(minute);
        },
      ),
    );
  });
});
