import type { CsvShape, ValueUnit } from './csv-shape.js';
import { roleOf } from './csv-shape.js';
import type { Readings } from './readings.js';
import { readClockS, readStamp } from './read-timestamp.js';
import { RowCollector } from './row-collector.js';
import { WallClock, type ClockKind } from '../../nature/index.js';

const unitFactors: Readonly<Record<ValueUnit, number>> = { kWh: 1000, Wh: 1, kW: 1000, W: 1 };
const quantityOf = (unit: ValueUnit): 'power' | 'energy' =>
  unit === 'kWh' || unit === 'Wh' ? 'energy' : 'power';
const dayS = 86_400;
const thousands = /^[-+]?\d{1,3}(,\d{3})+(\.\d+)?$/;
const simple = /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i;

export interface CsvOptions {
  readonly zone: string;
  readonly clock: ClockKind;
  /** Times name the end of their interval. */
  readonly stampsEnd: boolean;
  /** For values without any time: where they begin (wall clock, as if UTC, s) and their interval, s. */
  readonly startWallS: number;
  readonly intervalS: number;
}

/** Reads rows of a CSV file of meter data one after the other. */
export class CsvReadings {
  readonly collector: RowCollector;
  private readonly wall: WallClock;
  private readonly factors: number[];
  private readonly values: Float64Array;
  private readonly registers = new Map<string, number>();
  private last: number | null = null;
  private lastWallS: number | null = null;
  private descending: boolean | null = null;
  private index = 0;

  constructor(
    private readonly shape: CsvShape,
    private readonly options: CsvOptions,
  ) {
    const { values, registerColumn } = shape;
    this.collector = new RowCollector(
      registerColumn === null
        ? values.map(({ name, role, unit, cumulative }) => ({
            name,
            role,
            quantity: quantityOf(unit),
            cumulative,
          }))
        : [],
    );
    this.wall = new WallClock(options.zone, options.clock);
    this.factors = values.map(({ unit }) => unitFactors[unit]);
    this.values = new Float64Array(Math.max(values.length, 16));
  }

  /** Takes the cells of a line. A line that cannot be read is refused with its number; the rest goes on. */
  row(cells: readonly string[], line: number): void {
    if (cells.length === 0 || (cells.length === 1 && cells[0]!.trim() === '')) return;
    const { time } = this.shape;
    if (time.kind === 'row-a-day') {
      this.day(cells, line);
      return;
    }
    const wall = this.wallOf(cells);
    if (typeof wall === 'string') {
      this.collector.refuse(line, wall);
      return;
    }
    const utcS = this.momentOf(wall.wallS, wall.absolute);
    if (utcS === null) {
      this.collector.refuse(
        line,
        'This time did not exist: the clocks went forward. If the file runs on standard time all year, say so',
      );
      return;
    }
    if (this.shape.registerColumn !== null) this.long(cells, line, utcS);
    else this.wide(cells, line, utcS);
  }

  finish(): Readings | null {
    const stated = this.shape.time.kind === 'none' ? this.options.intervalS : null;
    const readings = this.collector.finish(stated);
    if (!readings || !this.options.stampsEnd) return readings;
    return { ...readings, startS: readings.startS - readings.intervalS };
  }

  private wide(cells: readonly string[], line: number, utcS: number): void {
    const { values } = this.shape;
    let filled = false;
    for (let c = 0; c < values.length; c += 1) {
      const value = this.number(cells[values[c]!.column] ?? '');
      if (value === null) {
        this.collector.refuse(
          line,
          `"${(cells[values[c]!.column] ?? '').trim().slice(0, 30)}" in ${values[c]!.name} is not a number`,
        );
        return;
      }
      const scaled = value * this.factors[c]!;
      if (!Number.isNaN(scaled) && !values[c]!.cumulative && !RowCollector.fits(scaled)) {
        this.collector.refuse(line, `${values[c]!.name} is larger than any house uses; check its unit`);
        return;
      }
      this.values[c] = scaled;
      filled ||= !Number.isNaN(scaled);
    }
    this.last = utcS;
    if (filled) this.collector.add(utcS, this.values.subarray(0, values.length));
  }

  private long(cells: readonly string[], line: number, utcS: number): void {
    const [first] = this.shape.values;
    const name = (cells[this.shape.registerColumn!] ?? '').trim();
    const value = this.number(cells[first!.column] ?? '');
    const fits = first!.cumulative || RowCollector.fits((value ?? 0) * this.factors[0]!);
    if (value === null || Number.isNaN(value) || !fits) {
      this.collector.refuse(line, `"${(cells[first!.column] ?? '').trim().slice(0, 30)}" is not a number`);
      return;
    }
    let register = this.registers.get(name);
    if (register === undefined) {
      if (this.registers.size >= 16) {
        this.collector.refuse(
          line,
          `"${name.slice(0, 30)}" would be the 17th register; check which column names it`,
        );
        return;
      }
      register = this.collector.addChannel({
        name: name || 'Import',
        role: roleOf(name, false),
        quantity: quantityOf(first!.unit),
        cumulative: first!.cumulative,
      });
      this.registers.set(name, register);
    }
    this.last = utcS;
    const values = new Float64Array(register + 1).fill(NaN);
    values[register] = value * this.factors[0]!;
    this.collector.add(utcS, values);
  }

  private day(cells: readonly string[], line: number): void {
    const { time } = this.shape;
    if (time.kind !== 'row-a-day') return;
    const stamp = readStamp(cells[time.dateColumn] ?? '', this.shape.dayFirst);
    if (!stamp) {
      this.collector.refuse(line, `"${(cells[time.dateColumn] ?? '').trim().slice(0, 30)}" is not a date`);
      return;
    }
    const values: number[] = [];
    for (const column of time.columns) {
      const text = cells[column] ?? '';
      const value = this.number(text);
      if (value === null || (!Number.isNaN(value) && !RowCollector.fits(value * this.factors[0]!))) {
        this.collector.refuse(
          line,
          `"${text.trim().slice(0, 30)}" in column ${column + 1} is not a number, or too large`,
        );
        return;
      }
      values.push(value);
    }
    // 25 or 100 columns leave room for the hour that comes twice in autumn.
    const step = values.length >= 92 ? 900 : values.length >= 46 ? 1800 : 3600;
    const beginS = this.wall.toUtcS(stamp.wallS, null) ?? stamp.wallS;
    const endS = this.wall.toUtcS(stamp.wallS + dayS, null) ?? stamp.wallS + dayS;
    const steps = Math.round((endS - beginS) / step);
    const lastFilled = values.findLastIndex((value) => !Number.isNaN(value));
    // A day of change whose values stand without a hole runs on in order of time; else each column is an hour of the wall.
    const inOrder =
      steps !== dayS / step && lastFilled === steps - 1 && !values.slice(0, steps).some(Number.isNaN);
    values.forEach((value, i) => {
      if (Number.isNaN(value)) return;
      const utcS = inOrder ? beginS + i * step : this.wall.toUtcS(stamp.wallS + i * step, this.last);
      if (utcS !== null) {
        this.collector.add(utcS, [value * this.factors[0]!]);
        this.last = utcS;
      } else if (value !== 0) {
        this.collector.refuse(
          line,
          `Column ${time.columns[i]! + 1} holds a value for an hour that did not exist: the clocks went forward`,
        );
      }
    });
  }

  private wallOf(cells: readonly string[]): { wallS: number; absolute: boolean } | string {
    const { time, dayFirst } = this.shape;
    if (time.kind === 'none') {
      const wallS = this.options.startWallS + this.index * this.options.intervalS;
      this.index += 1;
      return { wallS, absolute: false };
    }
    const column = time.kind === 'stamp' ? time.column : time.kind === 'date-and-time' ? time.dateColumn : 0;
    const text = cells[column] ?? '';
    const stamp = readStamp(text, dayFirst);
    if (!stamp) return `"${text.trim().slice(0, 30)}" is not a date`;
    if (time.kind !== 'date-and-time') return stamp;
    const clock = readClockS(cells[time.timeColumn] ?? '');
    if (clock === null) return `"${(cells[time.timeColumn] ?? '').trim().slice(0, 30)}" is not a time`;
    return { wallS: stamp.wallS + clock, absolute: false };
  }

  private momentOf(wallS: number, absolute: boolean): number | null {
    if (this.descending === null && this.lastWallS !== null && wallS !== this.lastWallS) {
      this.descending = wallS < this.lastWallS;
    }
    // Registers of one time follow each other: the same wall time twice in a row is not a repeated hour.
    const same = this.shape.registerColumn !== null && wallS === this.lastWallS;
    this.lastWallS = wallS;
    if (absolute) return wallS;
    if (this.shape.time.kind === 'none') {
      // Values in a row: every one follows the one before, whatever the wall shows.
      const first = this.wall.toUtcS(this.options.startWallS, null) ?? this.options.startWallS;
      return first + (wallS - this.options.startWallS);
    }
    return same ? this.last : this.wall.toUtcS(wallS, this.last, this.descending ?? false);
  }

  /** NaN for an empty cell, null for what is no number. */
  private number(text: string): number | null {
    const trimmed = text.trim();
    if (trimmed === '') return NaN;
    if (this.shape.decimalComma) {
      const plain = trimmed.replaceAll('.', '').replace(',', '.');
      return simple.test(plain) ? Number(plain) : null;
    }
    if (simple.test(trimmed)) return Number(trimmed);
    return thousands.test(trimmed) ? Number(trimmed.replaceAll(',', '')) : null;
  }
}
