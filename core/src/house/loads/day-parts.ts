import type { DayPart, HoursOfUse } from './load.schema.js';

interface DayPartFacts {
  readonly label: string;
  readonly hours: readonly number[];
  readonly field: keyof HoursOfUse;
}

const range = (from: number, count: number) => Array.from({ length: count }, (_, i) => (from + i) % 24);

/** The clock hours of each part of the day. */
export const dayPartFacts: Readonly<Record<DayPart, DayPartFacts>> = {
  night: { label: 'Night (22–6)', hours: range(22, 8), field: 'nightH' },
  morning: { label: 'Morning (6–10)', hours: range(6, 4), field: 'morningH' },
  day: { label: 'Day (10–16)', hours: range(10, 6), field: 'dayH' },
  evening: { label: 'Evening (16–22)', hours: range(16, 6), field: 'eveningH' },
};
