import { largestMilli, type ChannelRole, type Readings } from './readings.js';
import { RowCollector, type ReadingProblem } from './row-collector.js';

/** What a ReadingType says, as far as energy is concerned. */
interface ReadingType {
  flowDirection: string;
  uom: string;
  powerOfTen: number;
  intervalLengthS: number | null;
}

interface Entry {
  self: string;
  up: string[];
  related: string[];
  title: string;
  type: ReadingType | null;
  readings: number[];
  isMeterReading: boolean;
}

interface Block {
  readonly meterReading: string;
  /** start, duration, value, one after the other. */
  readonly readings: readonly number[];
}

/** Code lists of the ESPI schema (NAESB REQ.21; recalled). */
const wattHours = '72';
const watts = '38';
const reverse = '19';

const roleOfFlow = (direction: string): ChannelRole => (direction === reverse ? 'export' : 'import');

/**
 * Reads Green Button (ESPI) XML from the events of a streaming parser: Atom entries that hold MeterReading, ReadingType and
 * IntervalBlock, tied together by their links.
 *
 * Times are seconds in UTC, so daylight saving does not touch them.
 */
export class EspiReadings {
  private readonly path: string[] = [];
  private entry: Entry | null = null;
  private readonly types = new Map<string, ReadingType>();
  private readonly typeOfReading = new Map<string, string>();
  private readonly titles = new Map<string, string>();
  private readonly blocks: Block[] = [];
  private reading: { start: number; duration: number; value: number } | null = null;
  private text = '';
  private sawFeed = false;
  readonly problems: ReadingProblem[] = [];
  problemCount = 0;

  /** A tag opens. Names come without their prefix. */
  open(name: string, attributes: Readonly<Record<string, string>>): void {
    this.path.push(name);
    this.text = '';
    if (name === 'feed' || name === 'entry') this.sawFeed = true;
    if (name === 'entry') {
      this.entry = {
        self: '',
        up: [],
        related: [],
        title: '',
        type: null,
        readings: [],
        isMeterReading: false,
      };
    }
    const { entry } = this;
    if (!entry) return;
    if (name === 'link') {
      const href = (attributes['href'] ?? '').replace(/^https?:\/\/[^/]+/, '').replace(/\/$/, '');
      if (attributes['rel'] === 'self') entry.self = href;
      else if (attributes['rel'] === 'up') entry.up.push(href);
      else if (attributes['rel'] === 'related') entry.related.push(href);
    } else if (name === 'MeterReading') entry.isMeterReading = true;
    else if (name === 'ReadingType') {
      entry.type = { flowDirection: '1', uom: wattHours, powerOfTen: 0, intervalLengthS: null };
    } else if (name === 'IntervalReading') this.reading = { start: NaN, duration: NaN, value: NaN };
  }

  chars(text: string): void {
    this.text += text;
  }

  /** A tag closes on a line of the file. */
  close(line: number): void {
    const name = this.path.pop() ?? '';
    const text = this.text.trim();
    this.text = '';
    const { entry } = this;
    if (!entry) return;
    if (name === 'IntervalReading' && this.reading) {
      const { start, duration, value } = this.reading;
      this.reading = null;
      if (!Number.isInteger(start) || !Number.isFinite(value)) {
        this.refuse(line, 'An interval reading without a start or a value');
      } else entry.readings.push(start, Number.isFinite(duration) ? duration : 0, value);
    } else if (this.reading) {
      if (name === 'start') this.reading.start = number(text);
      else if (name === 'duration') this.reading.duration = number(text);
      else if (name === 'value') this.reading.value = number(text);
    } else if (entry.type) {
      if (name === 'flowDirection') entry.type.flowDirection = text;
      else if (name === 'uom') entry.type.uom = text;
      else if (name === 'powerOfTenMultiplier') entry.type.powerOfTen = number(text) || 0;
      else if (name === 'intervalLength') entry.type.intervalLengthS = number(text) || null;
    }
    if (name === 'title' && this.path.at(-1) === 'entry') entry.title = text;
    if (name === 'entry') this.endEntry(entry);
  }

  /** Everything on one grid; a channel for each meter reading. `why` says what is missing where there is none. */
  finish(): { readonly readings: Readings | null; readonly why: string } {
    if (!this.sawFeed)
      return { readings: null, why: 'This XML is not a Green Button (ESPI) file: it holds no Atom feed.' };
    const wanted = this.blocks.flatMap((block) => {
      const typeId = this.typeOfReading.get(block.meterReading);
      const type =
        (typeId === undefined ? undefined : this.types.get(typeId)) ??
        (this.types.size === 1 ? [...this.types.values()][0] : undefined);
      if (!type) {
        this.refuse(
          0,
          `No reading type belongs to ${block.meterReading || 'an interval block'}; its values were left out`,
        );
        return [];
      }
      if (type.uom !== wattHours && type.uom !== watts) {
        this.refuse(
          0,
          `A meter reading in unit ${type.uom} was left out: only watt-hours (72) and watts (38) are read`,
        );
        return [];
      }
      return [{ block, type }];
    });
    const names = [...new Set(wanted.map(({ block }) => block.meterReading))];
    const facts = names.map((meterReading) => {
      const { type } = wanted.find(({ block }) => block.meterReading === meterReading)!;
      const role = roleOfFlow(type.flowDirection);
      return {
        name: this.titles.get(meterReading) || (role === 'export' ? 'Export' : 'Import'),
        role,
        quantity: type.uom === wattHours ? ('energy' as const) : ('power' as const),
      };
    });
    const collector = new RowCollector(facts);
    const lengthOf = (block: Block, type: ReadingType, i: number): number =>
      block.readings[i + 1]! || type.intervalLengthS || 0;
    const lengths = names.map((name) =>
      usualLength(
        wanted
          .filter(({ block }) => block.meterReading === name)
          .flatMap(({ block, type }) =>
            Array.from({ length: block.readings.length / 3 }, (_, n) => lengthOf(block, type, 3 * n)),
          ),
      ),
    );
    // Channels may come in intervals of their own: the grid is that which every one of them fits.
    const known = lengths.filter((length) => length > 0);
    const gridS = known.length > 0 ? known.reduce(greatestCommonDivisor) : null;
    for (const { block, type } of wanted) {
      const channel = names.indexOf(block.meterReading);
      const scale = 10 ** type.powerOfTen;
      for (let i = 0; i < block.readings.length; i += 3) {
        const value = block.readings[i + 2]! * scale;
        if (Math.abs(value) * 1000 >= largestMilli) {
          this.refuse(0, `A value of ${value} is larger than any house uses`);
          continue;
        }
        const lengthS = lengthOf(block, type, i);
        const parts = gridS === null || lengthS % gridS !== 0 ? 1 : Math.max(1, lengthS / gridS);
        const values = new Float64Array(channel + 1).fill(NaN);
        // Energy is spread evenly over a longer interval; a mean power is that of each of its parts.
        values[channel] = type.uom === wattHours ? value / parts : value;
        for (let part = 0; part < parts; part += 1) {
          collector.add(block.readings[i]! + part * (gridS ?? 0), values);
        }
      }
    }
    const readings = collector.finish(gridS);
    for (const { line, reason } of collector.problems) this.refuse(line, reason);
    return { readings, why: readings ? '' : 'The file holds no interval readings of energy or power.' };
  }

  private refuse(line: number, reason: string): void {
    this.problemCount += 1;
    if (this.problems.length < 100_000) this.problems.push({ line, reason });
  }

  private endEntry(entry: Entry): void {
    this.entry = null;
    if (entry.type) this.types.set(entry.self, entry.type);
    if (entry.isMeterReading) {
      this.titles.set(entry.self, entry.title);
      const type = entry.related.find((href) => /ReadingType/i.test(href));
      if (type !== undefined) this.typeOfReading.set(entry.self, type);
    }
    if (entry.readings.length > 0) {
      // An interval block points up to ".../MeterReading/1/IntervalBlock".
      const up = entry.up.find((href) => /MeterReading/i.test(href)) ?? entry.up[0] ?? '';
      this.blocks.push({ meterReading: up.replace(/\/IntervalBlock$/i, ''), readings: entry.readings });
    }
  }
}

function number(text: string): number {
  return /^[-+]?\d+(\.\d+)?$/.test(text) ? Number(text) : NaN;
}

/** The commonest length, s; 0 where none is stated. */
function usualLength(lengths: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const length of lengths) if (length > 0) counts.set(length, (counts.get(length) ?? 0) + 1);
  return [...counts].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
