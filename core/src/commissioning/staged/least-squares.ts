import { inverse, Matrix } from 'ml-matrix';

/** A reading of several unknowns at once. */
export interface Reading {
  /** How much of each unknown is in it. */
  readonly row: readonly number[];
  readonly value: number;
  /** One deviation, above 0. */
  readonly error: number;
}

export interface LeastSquares {
  readonly values: readonly number[];
  readonly covariance: Matrix;
}

/**
 * The unknowns that explain readings best, each reading with its error: the normal equations of weighted linear least squares. What is
 * known of an unknown beforehand counts as one more reading of it (a Gaussian prior).
 *
 * @param readings of which each has a row of the same length; the unknowns are told apart by them
 */
export function leastSquares(readings: readonly Reading[]): LeastSquares {
  const size = readings[0]?.row.length ?? 0;
  const normal = Matrix.zeros(size, size);
  const right = Matrix.zeros(size, 1);
  for (const { row, value, error } of readings)
    for (let i = 0; i < size; i += 1) {
      if (row[i] === 0) continue;
      right.set(i, 0, right.get(i, 0) + (row[i]! * value) / error ** 2);
      for (let j = 0; j < size; j += 1) normal.set(i, j, normal.get(i, j) + (row[i]! * row[j]!) / error ** 2);
    }
  const covariance = inverse(normal, true);
  return { values: covariance.mmul(right).to1DArray(), covariance };
}
