import type { PublishedTable } from '../../base/index.js';

interface MotorTable {
  readonly columnsV: readonly number[];
  /** Rated horsepower, and the current in A for each column. */
  readonly rows: readonly (readonly [horsepower: number, ...currentA: number[]])[];
}

export const singlePhaseMotorsA: PublishedTable<MotorTable> = {
  title: 'Full-load currents of single-phase alternating-current motors',
  clause: 'Table 430.248',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    columnsV: [115, 200, 208, 230],
    rows: [
      [1 / 6, 4.4, 2.5, 2.4, 2.2],
      [1 / 4, 5.8, 3.3, 3.2, 2.9],
      [1 / 3, 7.2, 4.1, 4.0, 3.6],
      [1 / 2, 9.8, 5.6, 5.4, 4.9],
      [3 / 4, 13.8, 7.9, 7.6, 6.9],
      [1, 16, 9.2, 8.8, 8.0],
      [1.5, 20, 11.5, 11, 10],
      [2, 24, 13.8, 13.2, 12],
      [3, 34, 19.6, 18.7, 17],
      [5, 56, 32.2, 30.8, 28],
      [7.5, 80, 46, 44, 40],
      [10, 100, 57.5, 55, 50],
    ],
  },
};

export const threePhaseMotorsA: PublishedTable<MotorTable> = {
  title: 'Full-load currents of three-phase alternating-current motors, squirrel cage',
  clause: 'Table 430.250',
  edition: 'NEC 2023',
  source: 'recalled',
  values: {
    columnsV: [200, 208, 230, 460],
    rows: [
      [1 / 2, 2.5, 2.4, 2.2, 1.1],
      [3 / 4, 3.7, 3.5, 3.2, 1.6],
      [1, 4.8, 4.6, 4.2, 2.1],
      [1.5, 6.9, 6.6, 6.0, 3.0],
      [2, 7.8, 7.5, 6.8, 3.4],
      [3, 11.0, 10.6, 9.6, 4.8],
      [5, 17.5, 16.7, 15.2, 7.6],
      [7.5, 25.3, 24.2, 22, 11],
      [10, 32.2, 30.8, 28, 14],
    ],
  },
};

/** A column stands for voltages this close to its own (230 V for 220 to 240 V); beyond that a motor keeps its power. */
const closeShare = 0.08;

/**
 * Full-load current of a motor by NEC Table 430.248 (one phase) or 430.250 (three phases), recalled.
 *
 * The nearest voltage column is used; where it is not close, the current is that of the same power (a 460 V figure of 4.8 A
 * is 5.5 A at 400 V). A horsepower between two rows takes the larger row, as the table is meant to be read.
 *
 * @param horsepower rated power in hp, up to 10
 * @param voltageV voltage across the motor in V, line to line on three phases
 * @returns current in A
 * @throws RangeError beyond 10 hp, where the tables here end
 * @example fullLoadCurrentA(1, 230) // 8
 */
export function fullLoadCurrentA(horsepower: number, voltageV: number, phases: 1 | 3 = 1): number {
  const { clause, values } = phases === 3 ? threePhaseMotorsA : singlePhaseMotorsA;
  const { columnsV, rows } = values;
  const row = rows.find(([hp]) => hp >= horsepower - 1e-9);
  if (!row) throw new RangeError(`NEC ${clause} is known here up to 10 hp`);
  const nearest = columnsV.reduce(
    (best, v, i) => (Math.abs(v - voltageV) < Math.abs(columnsV[best]! - voltageV) ? i : best),
    0,
  );
  const [currentA, columnV] = [row[nearest + 1]!, columnsV[nearest]!];
  return Math.abs(voltageV - columnV) <= closeShare * columnV ? currentA : (currentA * columnV) / voltageV;
}
