/** Columns of NEC Table 430.248. */
const columnsV = [115, 200, 208, 230] as const;

/** NEC Table 430.248, single-phase motors, A (recalled; verify against the adopted edition). */
const table: readonly (readonly [horsepower: number, ...currentA: number[]])[] = [
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
];

/**
 * Full-load current of a single-phase motor by NEC Table 430.248 (recalled).
 *
 * The nearest voltage column is used; a horsepower between two rows takes the larger row, as the table is meant to be read.
 *
 * @param horsepower rated power in hp, 1/6 to 10
 * @param voltageV voltage across the motor in V
 * @returns current in A
 * @throws RangeError beyond 10 hp, where the table ends
 * @example fullLoadCurrentA(1, 230) // 8
 */
export function fullLoadCurrentA(horsepower: number, voltageV: number): number {
  const row = table.find(([hp]) => hp >= horsepower - 1e-9);
  if (!row) throw new RangeError('NEC Table 430.248 ends at 10 hp');
  const nearest = columnsV.reduce(
    (best, v, i) => (Math.abs(v - voltageV) < Math.abs(columnsV[best]! - voltageV) ? i : best),
    0,
  );
  return row[nearest + 1]!;
}
