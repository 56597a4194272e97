import type { OutageSample } from '../commissioning/details.js';

/** What stands in each column of a row of a recording. */
export const recordingColumns = [
  'second',
  'gridV',
  'L1',
  'L2',
  'L3',
  'frequencyHz',
  'isOnGrid',
  'batteryW',
  'solarW',
  'gridW',
  'charge',
  'gapMs',
] as const;

/** A second of a recording as a row of numbers; see {@link recordingColumns}. */
export type RecordingRow = readonly (number | null)[];

export const rowOfSample = (sample: OutageSample): RecordingRow => [
  sample.second,
  sample.gridV,
  sample.legV[0] ?? null,
  sample.legV[1] ?? null,
  sample.legV[2] ?? null,
  sample.frequencyHz,
  sample.isOnGrid === null ? null : Number(sample.isOnGrid),
  sample.batteryW,
  sample.solarW,
  sample.gridW,
  sample.charge,
  sample.gapMs,
];

/** What {@link rowOfSample} made a row of; legs the supply does not have are left out. */
export function sampleOfRow(row: RecordingRow): OutageSample {
  const [second, gridV, one, two, three, frequencyHz, isOnGrid, batteryW, solarW, gridW, charge, gapMs] =
    recordingColumns.map((_, column) => row[column] ?? null);
  const legs = [one!, two!, three!];
  return {
    second: second ?? 0,
    gridV: gridV!,
    legV: legs.slice(0, legs.findLastIndex((volts) => volts !== null) + 1),
    frequencyHz: frequencyHz!,
    isOnGrid: isOnGrid === null ? null : isOnGrid === 1,
    batteryW: batteryW!,
    solarW: solarW!,
    gridW: gridW!,
    charge: charge!,
    gapMs: gapMs!,
  };
}
