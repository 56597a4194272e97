import { describe, expect, it } from 'vitest';
import { leastSquares } from './least-squares.js';

/** NIST StRD, data set "Norris" (calibration of ozone monitors): y, x; recalled from memory, the certified values below hold for it. */
const norris: readonly (readonly [y: number, x: number])[] = [
  [0.1, 0.2],
  [338.8, 337.4],
  [118.1, 118.2],
  [888, 884.6],
  [9.2, 10.1],
  [228.1, 226.5],
  [668.5, 666.3],
  [998.5, 996.3],
  [449.1, 448.6],
  [778.9, 777],
  [559.2, 558.2],
  [0.3, 0.4],
  [0.1, 0.6],
  [778.1, 775.5],
  [668.8, 666.9],
  [339.3, 338],
  [448.9, 447.5],
  [10.8, 11.6],
  [557.7, 556],
  [228.3, 228.1],
  [998, 995.8],
  [888.8, 887.6],
  [119.6, 120.2],
  [0.3, 0.3],
  [0.6, 0.3],
  [557.6, 556.8],
  [339.3, 339.1],
  [888, 887.2],
  [998.5, 999],
  [778.9, 779],
  [10.2, 11.1],
  [117.6, 118.3],
  [228.9, 229.2],
  [668.4, 669.1],
  [449.2, 448.9],
  [0.2, 0.5],
];
const certified = {
  intercept: -0.262323073774029,
  interceptError: 0.232818234301152,
  slope: 1.00211681802045,
  slopeError: 0.000429796848199937,
  residual: 0.884796396144373,
};

describe('weighted linear least squares', () => {
  const readings = norris.map(([y, x]) => ({ row: [1, x], value: y, error: certified.residual }));

  it('give the certified line of NIST StRD Norris, with its errors', () => {
    const { values, covariance } = leastSquares(readings);
    expect(values[0]).toBeCloseTo(certified.intercept, 9);
    expect(values[1]).toBeCloseTo(certified.slope, 11);
    expect(Math.sqrt(covariance.get(0, 0))).toBeCloseTo(certified.interceptError, 9);
    expect(Math.sqrt(covariance.get(1, 1))).toBeCloseTo(certified.slopeError, 11);
  });

  it('take a reading twice as one of half the variance', () => {
    const [first, ...rest] = readings;
    const twice = leastSquares([first!, first!, ...rest]);
    const sharper = leastSquares([{ ...first!, error: first!.error / Math.SQRT2 }, ...rest]);
    for (const place of [0, 1]) expect(twice.values[place]).toBeCloseTo(sharper.values[place]!, 12);
  });

  it('keep what is known of an unknown that no reading tells of', () => {
    const { values, covariance } = leastSquares([
      { row: [1, 0], value: 3, error: 0.5 },
      { row: [0, 1], value: 7, error: 0.2 },
    ]);
    expect(values[0]).toBeCloseTo(3, 12);
    expect(values[1]).toBeCloseTo(7, 12);
    expect(covariance.get(1, 1)).toBeCloseTo(0.04, 12);
  });
});
