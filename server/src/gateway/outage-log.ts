import { type RecordingRow, recordingColumns, rowOfSample } from '@levamen/core/api';
import { sampleOfHouse, type OutageSample } from '@levamen/core/commissioning/details';
import type { HouseNow } from '@levamen/core/simulator';

/** An outage as a system keeps it. */
export interface KeptOutage {
  readonly id: number;
  /** What its clock showed when its first row was read, ISO. */
  readonly from: string;
  /** It is over, and the house is on the grid again. */
  readonly isOver: boolean;
  readonly columns: typeof recordingColumns;
  readonly rows: readonly RecordingRow[];
}

/** Before the grid goes so much is kept, s, and after it is back. */
const beforeS = 120;
const afterS = 300;
/** As long as nothing is switched, readings lie so far apart, s. */
const everyS = 10;
const mostOutages = 20;
const mostRows = 20_000;

/** Keeps what happened in the last outages of a simulated house, as a system with a memory does. */
export class OutageLog {
  private readonly before: OutageSample[] = [];
  private readonly outages: {
    id: number;
    from: string;
    begins: number;
    backS: number | null;
    rows: RecordingRow[];
  }[] = [];
  private last: OutageSample | null = null;
  private isOn = false;
  private made = 0;

  /** @param at moment its clock shows */
  see(now: HouseNow, at: Date): void {
    const sample = sampleOfHouse(now);
    const isSame = this.last?.isOnGrid === sample.isOnGrid && this.last.gridV === sample.gridV;
    if (this.last && isSame && sample.second - this.last.second < everyS) return;
    this.last = sample;
    if (this.isOn) {
      this.add(sample);
      return;
    }
    if (now.state === 'grid') {
      this.before.push(sample);
      while (this.before.length > 0 && sample.second - this.before[0]!.second > beforeS) this.before.shift();
      return;
    }
    const begins = this.before[0]?.second ?? sample.second;
    const from = new Date(at.getTime() - (sample.second - begins) * 1000).toISOString();
    this.made += 1;
    this.outages.push({ id: this.made, from, begins, backS: null, rows: [] });
    if (this.outages.length > mostOutages) this.outages.shift();
    this.isOn = true;
    for (const one of [...this.before, sample]) this.add(one);
    this.before.length = 0;
  }

  private add(sample: OutageSample): void {
    const outage = this.outages.at(-1)!;
    if (outage.rows.length < mostRows)
      outage.rows.push(rowOfSample({ ...sample, second: sample.second - outage.begins }));
    if (sample.isOnGrid !== true) outage.backS = null;
    else outage.backS ??= sample.second;
    if (outage.backS !== null && sample.second - outage.backS >= afterS) this.isOn = false;
  }

  /** The last outages, the oldest first. */
  kept(): KeptOutage[] {
    return this.outages.map(({ id, from, rows }, index) => ({
      id,
      from,
      isOver: !(this.isOn && index === this.outages.length - 1),
      columns: recordingColumns,
      rows,
    }));
  }
}
