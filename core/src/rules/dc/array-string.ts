import type { PublishedTable } from '../../base/index.js';

/** [down to, °C; factor], crystalline silicon. */
export const coldFactors: PublishedTable<readonly (readonly [downToC: number, factor: number])[]> = {
  title: 'Voltage correction factors for crystalline and multicrystalline silicon modules',
  clause: 'Table 690.7(A)',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    [20, 1.02],
    [15, 1.04],
    [10, 1.06],
    [5, 1.08],
    [0, 1.1],
    [-5, 1.12],
    [-10, 1.14],
    [-15, 1.16],
    [-20, 1.18],
    [-25, 1.2],
    [-30, 1.21],
    [-35, 1.23],
    [-40, 1.25],
  ],
};

/** Factor of the table at a temperature, the colder row. */
export const coldFactor = (lowestC: number): number =>
  lowestC >= 25 ? 1 : (coldFactors.values.find(([downToC]) => lowestC >= downToC)?.[1] ?? 1.25);

/**
 * Open-circuit voltage of a string at the coldest hour, V: from the coefficient of the data sheet, else the table (690.7(A)).
 *
 * @param coefficientPerC share of the voltage for each °C, negative; null = not stated
 */
export function coldVoltageV(
  modules: number,
  openV: number,
  lowestC: number,
  coefficientPerC: number | null,
): number {
  const factor = coefficientPerC === null ? coldFactor(lowestC) : 1 + coefficientPerC * (lowestC - 25);
  return modules * openV * factor;
}

/** Current that conductors and devices of an array are sized for, A: 125 % for strong sun, 125 % for its hours (690.8, recalled). */
export const arrayDesignA = (shortCircuitA: number): number => shortCircuitA * 1.25 * 1.25;
