import type { PublishedTable } from '../../base/index.js';
import { sumVA } from './dwelling-loads.js';

/** Demand factors of columns A and B and the demand of column C, for 1 to 10 household cooking appliances. */
export const cookingDemand: PublishedTable<{
  /** Below 3.5 kW, share. */
  readonly columnA: readonly number[];
  /** 3.5 to 8.75 kW, share. */
  readonly columnB: readonly number[];
  /** Not over 12 kW, W. */
  readonly columnCW: readonly number[];
}> = {
  title: 'Demand loads for household cooking appliances over 1¾ kW',
  clause: 'Table 220.55',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    columnA: [0.8, 0.75, 0.7, 0.66, 0.62, 0.59, 0.56, 0.53, 0.51, 0.49],
    columnB: [0.8, 0.65, 0.55, 0.5, 0.45, 0.43, 0.4, 0.36, 0.35, 0.34],
    columnCW: [8000, 11_000, 14_000, 17_000, 20_000, 21_000, 22_000, 23_000, 24_000, 25_000],
  },
};

/** The row of a number of appliances: the last one beyond the table. */
const row = (column: readonly number[], count: number): number =>
  count === 0 ? 0 : column[Math.min(count, column.length) - 1]!;

/** Column C with note 1: 5 % more for each kW, or major part of one, by which the average exceeds 12 kW. */
function byColumnC(ranges: readonly number[]): number {
  if (ranges.length === 0) return 0;
  const averageVA = sumVA(ranges.map((va) => Math.max(va, 12_000))) / ranges.length;
  const { columnCW } = cookingDemand.values;
  const base = row(columnCW, ranges.length) + 1000 * Math.max(0, ranges.length - columnCW.length);
  return base * (1 + 0.05 * Math.round((averageVA - 12_000) / 1000));
}

/** Note 3: nameplates times the factors of columns A and B, each by its own number of appliances. */
function byNote3(small: readonly number[]): number {
  const a = small.filter((va) => va < 3500);
  const b = small.filter((va) => va >= 3500);
  const { columnA, columnB } = cookingDemand.values;
  return sumVA(a) * row(columnA, a.length) + sumVA(b) * row(columnB, b.length);
}

/**
 * Demand of household cooking appliances above 1.75 kW, VA: column C for all of them, or, where that is less, columns A and
 * B for those up to 8.75 kW beside column C for the larger ones (note 3).
 *
 * @param ranges nameplates, VA
 * @example cookingDemandVA([12_000]) // 8000
 */
export function cookingDemandVA(ranges: readonly number[]): number {
  const small = ranges.filter((va) => va <= 8750);
  const large = ranges.filter((va) => va > 8750);
  return Math.min(byColumnC(ranges), byColumnC(large) + byNote3(small));
}
