import { parseQuantity } from '../../base/index.js';
import { guessDayFirst, readStamp, type Stamp } from './read-timestamp.js';
import { instantText } from './house-clock.js';
import { WallClock } from '../../nature/index.js';
import { billSchema, outageSchema, type Bill, type Outage } from './usage.schema.js';

export interface ListRow<T> {
  /** Row of the list, from 1. */
  readonly row: number;
  readonly value: T | null;
  readonly problem: string;
}

const dayMs = 86_400_000;
const dayOf = (wallS: number): string => new Date(wallS * 1000).toISOString().slice(0, 10);

const firstIssue = (error: { issues: { message: string }[] }): string =>
  error.issues[0]?.message ?? 'It cannot be read';

const readRows = <T>(
  cells: readonly (readonly string[])[],
  read: (row: readonly string[], dayFirst: boolean) => T | string,
  dayFirst: boolean,
): ListRow<T>[] => {
  const first = guessDayFirst(cells.flat().map((cell) => cell.trim())) ?? dayFirst;
  const rows: ListRow<T>[] = [];
  cells.forEach((row, index) => {
    const trimmed = row.map((cell) => cell.trim());
    if (trimmed.every((cell) => cell === '')) return;
    // A first row without a date is a row of headings.
    if (index === 0 && !trimmed.some((cell) => readStamp(cell, first))) return;
    const value = read(trimmed, first);
    rows.push(
      typeof value === 'string'
        ? { row: index + 1, value: null, problem: value }
        : { row: index + 1, value, problem: '' },
    );
  });
  return rows;
};

/**
 * Reads bills: first day, last day, kWh, and kWh sent to the grid where there are any. With one date only, the bill ends there and
 * begins where the one before ended (a month earlier for the first).
 *
 * @param lastDayCounts the second date still belongs to the period
 */
export function readBills(
  cells: readonly (readonly string[])[],
  dayFirst: boolean,
  lastDayCounts: boolean,
  makeId: () => string,
): ListRow<Bill>[] {
  let previous: string | null = null;
  return readRows(
    cells,
    (row, first) => {
      const stamps = row.flatMap((cell) => readStamp(cell, first) ?? []);
      const numbers = row
        .filter((cell) => cell !== '' && !readStamp(cell, first))
        .map((cell) => parseQuantity(cell, { kwh: 1, wh: 0.001, mwh: 1000 }));
      const bad = numbers.find((number) => !number.ok);
      if (bad && !bad.ok) return bad.message;
      const amounts = numbers.flatMap((number) => (number.ok ? [number.value] : []));
      if (stamps.length === 0) return 'The row holds no date';
      if (amounts.length === 0) return 'The row holds no kilowatt-hours';
      const endS = stamps.at(-1)!.wallS;
      const toDay = dayOf(lastDayCounts && stamps.length > 1 ? endS + dayMs / 1000 : endS);
      const monthBefore = new Date(endS * 1000);
      monthBefore.setUTCMonth(monthBefore.getUTCMonth() - 1);
      const fromDay =
        stamps.length > 1 ? dayOf(stamps[0]!.wallS) : (previous ?? monthBefore.toISOString().slice(0, 10));
      if (toDay <= fromDay) return 'The period ends before it begins';
      const checked = billSchema.safeParse({
        id: makeId(),
        fromDay,
        toDay,
        energyWh: amounts[0]! * 1000,
        exportWh: amounts[1] === undefined ? null : amounts[1] * 1000,
      });
      if (!checked.success) return firstIssue(checked.error);
      previous = toDay;
      return checked.data;
    },
    dayFirst,
  );
}

/** Said where an hour is left out in spring. */
export const neverShown = 'The clock of the house never showed that time: it went ahead that night';

/**
 * Hours and minutes as people write a length: "3:20", "95 min", "1.5 h", "20 s"; a plain number is minutes.
 *
 * @example readLengthS('3:20') // 12_000
 */
export function readLengthS(text: string): number | string {
  const clock = /^(\d+):(\d{2})(?::(\d{2}))?$/.exec(text.trim());
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3] ?? 0);
  const parsed = parseQuantity(text, {
    min: 1,
    m: 1,
    h: 60,
    hr: 60,
    hours: 60,
    d: 1440,
    days: 1440,
    s: 1 / 60,
    sec: 1 / 60,
  });
  return parsed.ok ? parsed.value * 60 : parsed.message;
}

/**
 * Reads outages: start, and either the end or how long it took ({@link readLengthS}).
 *
 * @param zone whose clock the times were read from
 */
export function readOutages(
  cells: readonly (readonly string[])[],
  dayFirst: boolean,
  zone: string,
  makeId: () => string,
): ListRow<Outage>[] {
  const clock = new WallClock(zone);
  // A time that names its offset is a moment already.
  const utcOf = ({ wallS, absolute }: Stamp, after: number | null): number | null =>
    absolute ? wallS : clock.toUtcS(wallS, after);
  return readRows(
    cells,
    (row, first) => {
      const stamps = row.flatMap((cell) => readStamp(cell, first) ?? []);
      const rest = row.filter((cell) => cell !== '' && !readStamp(cell, first));
      const [start, end] = stamps;
      if (!start) return 'The row holds no start';
      const startS = utcOf(start, null);
      if (startS === null) return neverShown;
      const endS = end && utcOf(end, startS);
      if (endS === null) return neverShown;
      const length = endS
        ? endS - startS
        : rest[0] === undefined
          ? 'The row holds no length'
          : readLengthS(rest[0]);
      if (typeof length === 'string') return length;
      const checked = outageSchema.safeParse({
        id: makeId(),
        start: instantText(startS),
        durationS: length,
      });
      return checked.success ? checked.data : firstIssue(checked.error);
    },
    dayFirst,
  );
}
