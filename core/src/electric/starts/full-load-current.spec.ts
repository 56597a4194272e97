import { expect, it } from 'vitest';
import { fullLoadCurrentA, singlePhaseMotorsA, threePhaseMotorsA } from './full-load-current.js';

/**
 * NEC Tables 430.248 and 430.250 (recalled) were made from one column: 115 V takes twice the current of 230 V, 200 V 115 % of it,
 * 208 V 110 % of it, and 460 V half. So every cell is held by its row, to the rounding of the table.
 */
const ofColumn230: Readonly<Record<number, number>> = { 115: 2, 200: 1.15, 208: 1.1, 230: 1, 460: 0.5 };

it.each([
  ['430.248', singlePhaseMotorsA],
  ['430.250', threePhaseMotorsA],
] as const)('the columns of Table %s are one column at other voltages', (_, { values }) => {
  const { columnsV, rows } = values;
  const at230 = columnsV.indexOf(230);
  for (const [horsepower, ...currentA] of rows) {
    columnsV.forEach((volts, column) => {
      const expected = currentA[at230]! * ofColumn230[volts]!;
      const printed = currentA[column]!;
      const name = `${horsepower} hp, ${volts} V`;
      // 115 V stands in whole amperes where it is large; everything else is rounded to a tenth.
      if (volts === 115)
        expect(Math.abs(printed - expected), name).toBeLessThanOrEqual(Math.max(0.06, 0.008 * expected));
      else expect(printed, name).toBe(Math.round(expected * 10 + 1e-9) / 10);
    });
  }
});

it('the current rises with the power, and falls for each horsepower', () => {
  for (const { values } of [singlePhaseMotorsA, threePhaseMotorsA]) {
    const { rows } = values;
    for (let row = 1; row < rows.length; row += 1) {
      expect(rows[row]![1]).toBeGreaterThan(rows[row - 1]![1]!);
      expect(rows[row]![1]! / rows[row]![0]).toBeLessThanOrEqual(
        (rows[row - 1]![1]! / rows[row - 1]![0]) * 1.02,
      );
    }
  }
});

it('a motor takes the row it is in, and the larger one between two', () => {
  // Cells of Tables 430.248 and 430.250 (recalled): 1½ and 7½ hp stand in them, and end their rows.
  expect(fullLoadCurrentA(1.5, 230)).toBe(10);
  expect(fullLoadCurrentA(1.51, 230)).toBe(12);
  expect(fullLoadCurrentA(7.5, 230)).toBe(40);
  expect(fullLoadCurrentA(7.51, 230)).toBe(50);
  expect(fullLoadCurrentA(1.5, 230, 3)).toBe(6);
  expect(fullLoadCurrentA(1.51, 230, 3)).toBe(6.8);
  expect(fullLoadCurrentA(7.5, 460, 3)).toBe(11);
  expect(fullLoadCurrentA(7.51, 460, 3)).toBe(14);
});

it('a column stands for voltages within 8 % of it; beyond, a motor keeps its power', () => {
  expect(fullLoadCurrentA(1.5, 1.0799 * 230)).toBe(10);
  expect(fullLoadCurrentA(1.5, 1.0801 * 230)).toBeCloseTo(10 / 1.0801, 9);
});
