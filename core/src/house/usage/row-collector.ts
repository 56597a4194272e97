import { gap, largestMilli, type Channel, type Readings } from './readings.js';

/** Something in a file that was left out. */
export interface ReadingProblem {
  /** Line of the file, from 1; 0 = the whole file. */
  readonly line: number;
  readonly reason: string;
}

/** More problems than this are counted, not listed. */
const maxListed = 100_000;

type ChannelFacts = Omit<Channel, 'milli'> & { readonly cumulative?: boolean };

/** Collects rows of values in any order and puts them on an even grid of time. */
export class RowCollector {
  private times = new Float64Array(4096);
  /** Registers that count up grow past what an integer holds. */
  private columns: (Int32Array | Float64Array)[];
  private count = 0;
  readonly problems: ReadingProblem[] = [];
  problemCount = 0;

  constructor(private readonly facts: ChannelFacts[]) {
    this.columns = facts.map((one) => column(one, 4096));
  }

  get rows(): number {
    return this.count;
  }

  /** A further channel that turned up in the file; earlier rows have no value for it. */
  addChannel(facts: ChannelFacts): number {
    this.facts.push(facts);
    this.columns.push(column(facts, this.times.length).fill(facts.cumulative ? NaN : gap));
    return this.facts.length - 1;
  }

  refuse(line: number, reason: string): void {
    this.problemCount += 1;
    if (this.problems.length < maxListed) this.problems.push({ line, reason });
  }

  /**
   * Takes a row.
   *
   * @param utcS begin of the interval
   * @param values one value a channel in W or Wh; NaN = none
   */
  add(utcS: number, values: ArrayLike<number>): void {
    if (this.count === this.times.length) this.grow();
    this.times[this.count] = utcS;
    for (let c = 0; c < this.columns.length; c += 1) {
      const value = c < values.length ? values[c]! : NaN;
      const target = this.columns[c]!;
      const missing = target instanceof Float64Array ? NaN : gap;
      target[this.count] = Number.isNaN(value) ? missing : Math.round(value * 1000);
    }
    this.count += 1;
  }

  /** True where a value fits into the store. */
  static fits(value: number): boolean {
    return Math.abs(value) * 1000 < largestMilli;
  }

  /** The readings on their grid; null where there are none. Two rows of one time: the later one counts, and is reported. */
  finish(statedIntervalS: number | null = null): Readings | null {
    const { count } = this;
    if (count === 0) return null;
    const times = this.times.subarray(0, count);
    let ascending = true;
    for (let i = 1; i < count && ascending; i += 1) ascending = times[i]! >= times[i - 1]!;
    const order = ascending
      ? null
      : Uint32Array.from({ length: count }, (_, i) => i).sort((a, b) => times[a]! - times[b]!);
    const at = (i: number): number => (order ? order[i]! : i);
    const intervalS = statedIntervalS ?? usualStep(times, at);
    const startS = times[at(0)]!;
    const length = Math.round((times[at(count - 1)]! - startS) / intervalS) + 1;
    if (length > 40 * count + 100_000) {
      this.refuse(
        0,
        'The times of the file are scattered over too long a stretch; check how its dates are read',
      );
      return null;
    }
    let twice = 0;
    let between = 0;
    const channels = this.facts.map(({ cumulative, ...facts }, c): Channel => {
      const source = this.columns[c]!;
      const grid = column({ cumulative: cumulative ?? false }, length).fill(cumulative ? NaN : gap);
      const missing = (value: number): boolean => value === gap || Number.isNaN(value);
      for (let i = 0; i < count; i += 1) {
        const row = at(i);
        const value = source[row]!;
        if (missing(value)) continue;
        const offset = (times[row]! - startS) / intervalS;
        const index = Math.round(offset);
        if (Math.abs(offset - index) > 0.01) between += 1;
        if (!missing(grid[index]!)) twice += 1;
        grid[index] = value;
      }
      // Rows of a channel that was taken over are not needed any more.
      this.columns[c] = new Int32Array(0);
      return { ...facts, milli: grid instanceof Float64Array ? differences(grid) : grid };
    });
    if (twice > 0)
      this.refuse(0, `${twice} values stand at a time that was there already; the later one counts`);
    if (between > 0)
      this.refuse(
        0,
        `${between} values stand between the intervals of ${intervalS} s; they were put into the nearest`,
      );
    return { startS, intervalS, count: length, channels };
  }

  private grow(): void {
    const size = Math.ceil(this.times.length * 1.6);
    const times = new Float64Array(size);
    times.set(this.times);
    this.times = times;
    this.columns = this.columns.map((present) => {
      const larger = present instanceof Float64Array ? new Float64Array(size) : new Int32Array(size);
      larger.set(present);
      return larger;
    });
  }
}

const column = (
  { cumulative }: Pick<ChannelFacts, 'cumulative'>,
  length: number,
): Int32Array | Float64Array => (cumulative ? new Float64Array(length) : new Int32Array(length));

/** The step of the file, s: the commonest one, or a smaller one that divides it, for files with many gaps. */
function usualStep(times: Float64Array, at: (i: number) => number): number {
  const steps = new Map<number, number>();
  const looked = Math.min(times.length, 5000);
  for (let i = 1; i < looked; i += 1) {
    const step = Math.round(times[at(i)]! - times[at(i - 1)]!);
    if (step > 0) steps.set(step, (steps.get(step) ?? 0) + 1);
  }
  const common = [...steps].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? 3600;
  const seldom = Math.floor(looked / 2000);
  const smaller = [...steps].filter(([step, n]) => step >= 1 && common % step === 0 && n > seldom);
  return Math.min(common, ...smaller.map(([step]) => step));
}

/** From the stand of a register to what it counted in each interval. A register that falls was reset: that interval is a gap. */
function differences(stand: Float64Array): Int32Array {
  const milli = new Int32Array(stand.length).fill(gap);
  for (let i = 0; i + 1 < stand.length; i += 1) {
    const counted = stand[i + 1]! - stand[i]!;
    if (counted >= 0 && counted < largestMilli) milli[i] = counted;
  }
  return milli;
}
