import type { ChannelRole } from './readings.js';
import { guessDayFirst, readClockS, readStamp } from './read-timestamp.js';

export const valueUnits = ['kWh', 'Wh', 'kW', 'W'] as const;
export type ValueUnit = (typeof valueUnits)[number];

/** A column of values. */
export interface ValueColumn {
  readonly column: number;
  readonly name: string;
  readonly role: ChannelRole;
  readonly unit: ValueUnit;
  /** A register that only counts up; its differences are taken. */
  readonly cumulative: boolean;
}

/** Where the time of a row stands. */
export type TimeColumns =
  | { readonly kind: 'stamp'; readonly column: number }
  | { readonly kind: 'date-and-time'; readonly dateColumn: number; readonly timeColumn: number }
  /** One row a day; the values of the day stand side by side. */
  | { readonly kind: 'row-a-day'; readonly dateColumn: number; readonly columns: readonly number[] }
  /** No time at all: values in a row from a start that somebody says. */
  | { readonly kind: 'none' };

/** How a CSV file of meter data is laid out. */
export interface CsvShape {
  /** Rows before the first one of data. */
  readonly skip: number;
  readonly decimalComma: boolean;
  readonly dayFirst: boolean;
  /** Dates leave open whether day or month comes first. */
  readonly dayFirstOpen: boolean;
  readonly time: TimeColumns;
  readonly values: readonly ValueColumn[];
  /** A column that names the register of each row; null = one register a column. */
  readonly registerColumn: number | null;
}

const useless =
  /cost|price|[$€£]|temp|quality|status|flag|account|currency|note|estimat|\bid\b|meter\s*(no|number|#)/i;
const unitOf = (heading: string): ValueUnit | null => {
  if (/kwh/i.test(heading)) return 'kWh';
  if (/\bwh\b|watt.?hour/i.test(heading)) return 'Wh';
  if (/\bkw\b|kilowatt/i.test(heading)) return 'kW';
  return /\bw\b|watt|power/i.test(heading) ? 'W' : null;
};

/** What a name says about what is measured. */
export function roleOf(name: string, many: boolean): ChannelRole {
  if (/export|feed.?in|return|sent|received by|surplus|reverse/i.test(name)) return 'export';
  if (/solar|\bpv\b|photovolt|generation|production/i.test(name)) return 'solar';
  if (/\bmains?\b|\bgrid\b|service|whole|total/i.test(name)) return many ? 'mains' : 'import';
  return many ? 'circuit' : 'import';
}

/** "Kitchen [W]" is the channel Kitchen. */
const withoutUnit = (heading: string): string =>
  heading.replace(/[\s,_-]*[[(]?\s*(k?wh|k?w|watts?)\s*[\])]?\s*$/i, '').slice(0, 80);

const number = (text: string): boolean => /^[-+]?[\d.,]*\d[\d.,]*(e[-+]?\d+)?$/i.test(text.trim());

/** Thousands of samples say no more than some dozens. */
const sampleRows = 60;

const isCumulative = (values: readonly number[]): boolean => {
  if (values.length < 12) return false;
  let largestStep = 0;
  for (let i = 1; i < values.length; i += 1) {
    const step = values[i]! - values[i - 1]!;
    if (step < 0) return false;
    largestStep = Math.max(largestStep, step);
  }
  return values.at(-1)! > values[0]! && values[0]! > 20 * largestStep;
};

/**
 * Finds out how a CSV file of meter data is laid out, from its first rows.
 *
 * @param rows cells of the first rows; some dozens are enough
 * @param delimiter decides whether a comma can be a decimal one
 * @param dayFirst what to take where dates leave it open
 * @returns null where no row of data was found
 */
export function guessCsvShape(
  rows: readonly (readonly string[])[],
  delimiter: string,
  dayFirst: boolean,
): CsvShape | null {
  const cells = rows.map((row) => row.map((cell) => cell.trim()));
  const open = guessDayFirst(cells.flat());
  const first = open ?? dayFirst;
  const stamped = (cell: string): boolean => readStamp(cell, first) !== null;
  const timed = (cell: string): boolean => readClockS(cell) !== null;
  const plain = (cell: string): boolean => number(cell) && !stamped(cell);
  const isData = (row: readonly string[]): boolean => row.some(stamped) && row.some(plain);
  let skip = cells.findIndex(isData);
  if (skip < 0) {
    skip = cells.findIndex((row) => row.filter((cell) => cell !== '').length === 1 && row.some(plain));
    if (skip < 0) return null;
    return {
      skip,
      decimalComma:
        delimiter !== ',' && cells.slice(skip).some((row) => row.some((cell) => /\d,\d/.test(cell))),
      dayFirst: first,
      dayFirstOpen: false,
      time: { kind: 'none' },
      values: [
        {
          column: cells[skip]!.findIndex(plain),
          name: cells[skip - 1]?.[0] || 'Import',
          role: 'import',
          unit: unitOf(cells[skip - 1]?.join(' ') ?? '') ?? 'kWh',
          cumulative: false,
        },
      ],
      registerColumn: null,
    };
  }
  const sample = cells.slice(skip, skip + sampleRows).filter(isData);
  const heading = cells.slice(0, skip).findLast((row) => row.filter((cell) => cell !== '').length > 1) ?? [];
  const preamble = cells.slice(0, skip).flat().join(' ');
  const width = Math.max(...sample.map((row) => row.length));
  const columnWhere = (test: (cell: string) => boolean): number[] =>
    Array.from({ length: width }, (_, c) => c).filter((c) => {
      const filled = sample.map((row) => row[c] ?? '').filter((cell) => cell !== '');
      return filled.length > 0 && filled.filter(test).length >= 0.8 * filled.length;
    });
  const stamps = columnWhere(stamped);
  const clocks = columnWhere(timed).filter((c) => !stamps.includes(c));
  const numbers = columnWhere(plain).filter((c) => !stamps.includes(c) && !clocks.includes(c));
  const stampColumn = stamps[0] ?? 0;
  const dateOnly = sample.every((row) => readStamp(row[stampColumn] ?? '', first)?.dateOnly ?? true);
  const wanted = numbers.filter((c) => !useless.test(heading[c] ?? ''));
  const perDay = wanted.filter(
    (c) =>
      timed(heading[c] ?? '') ||
      /^\D{0,6}\d{1,4}(:\d{2})?(\s*[-–].*)?$/.test(heading[c] ?? '') ||
      heading.length === 0,
  );
  const rowADay = dateOnly && clocks.length === 0 && perDay.length >= 23;
  const headingOf = (column: number): string => heading[column] ?? '';
  const time: TimeColumns = rowADay
    ? { kind: 'row-a-day', dateColumn: stampColumn, columns: perDay }
    : dateOnly && clocks[0] !== undefined
      ? { kind: 'date-and-time', dateColumn: stampColumn, timeColumn: clocks[0] }
      : { kind: 'stamp', column: stampColumn };
  const valueColumns = rowADay ? [] : wanted;
  const many = valueColumns.length >= 4;
  const registerColumn =
    rowADay || many
      ? -1
      : Array.from({ length: width }, (_, c) => c).findIndex(
          (c) =>
            !stamps.includes(c) &&
            !clocks.includes(c) &&
            /register|direction|channel|flow|suffix|type/i.test(headingOf(c)) &&
            !useless.test(headingOf(c)) &&
            new Set(sample.map((row) => row[c] ?? '')).size <= 8,
        );
  const fallback: ValueUnit = many ? 'W' : 'kWh';
  const unit = (column: number): ValueUnit => unitOf(headingOf(column)) ?? unitOf(preamble) ?? fallback;
  const decimalComma =
    delimiter !== ',' && sample.some((row) => row.some((cell) => /^-?\d+,\d+$/.test(cell)));
  const parse = (text: string): number =>
    Number(decimalComma ? text.replace('.', '').replace(',', '.') : text);
  const values: ValueColumn[] = rowADay
    ? [
        {
          column: -1,
          name: 'Import',
          role: 'import',
          unit: unitOf(preamble + ' ' + heading.join(' ')) ?? 'kWh',
          cumulative: false,
        },
      ]
    : valueColumns
        .filter((column) => column !== registerColumn)
        .slice(0, registerColumn >= 0 ? 1 : undefined)
        .map((column) => ({
          column,
          name: withoutUnit(headingOf(column)) || (many ? `Channel ${column}` : 'Import'),
          role: roleOf(headingOf(column), many),
          unit: unit(column),
          cumulative: isCumulative(sample.map((row) => parse(row[column] ?? '')).filter(Number.isFinite)),
        }));
  if (values.length === 0) return null;
  return {
    skip,
    decimalComma,
    dayFirst: first,
    dayFirstOpen:
      open === null && sample.some((row) => /^\d{1,2}[-/]\d{1,2}[-/]\d{2,4}/.test(row[stampColumn] ?? '')),
    time,
    values,
    registerColumn: registerColumn < 0 ? null : registerColumn,
  };
}
