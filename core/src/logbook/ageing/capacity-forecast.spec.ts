import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { capacityForecast, type CapacityPoint } from './capacity-forecast.js';

const usual = { share: 0.7, years: 10, isSaid: false };
const at = (years: number, share: number, error = 0.01): CapacityPoint => ({
  id: `${years}`,
  years,
  usableWh: share * 20_000,
  errorWh: error * 20_000,
});

/** The middle and its deviation at an age, by adding up probabilities over a fine grid of lines: from the definition. */
function byGrid(points: readonly CapacityPoint[], years: number): { mean: number; deviation: number } {
  let [sum, first, second] = [0, 0, 0];
  for (let asNew = 0.8; asNew <= 1.2; asNew += 0.001)
    for (let fade = -0.03; fade <= 0.06; fade += 0.0005) {
      let log = -0.5 * ((asNew - 1) / 0.04) ** 2 - 0.5 * ((fade - 0.04 / 3) / 0.006) ** 2;
      for (const point of points)
        log -=
          0.5 * ((point.usableWh / 20_000 - (asNew - fade * point.years)) / (point.errorWh / 20_000)) ** 2;
      const weight = Math.exp(log);
      const share = asNew - fade * years;
      sum += weight;
      first += weight * share;
      second += weight * share * share;
    }
  return { mean: first / sum, deviation: Math.sqrt(second / sum - (first / sum) ** 2) };
}

describe('capacity over the years', () => {
  // Common practice, no source: 4 % in three years; a warranty of 70 % at ten years is easily kept.
  it('is what is usual where nothing was measured', () => {
    const { years, atEnd } = capacityForecast([], 20_000, usual, 15);
    expect(years[3]!.share).toBeCloseTo(0.96, 10);
    expect(years[10]!.warranted).toBeCloseTo(0.7, 10);
    expect(years[15]!.warranted).toBeCloseTo(0.7, 10);
    expect(atEnd).toBe('holds');
  });

  it('is what a grid of all lines says of the same measurements', () => {
    const points = [at(0, 0.97), at(1.5, 0.95, 0.02), at(3, 0.92)];
    const { years } = capacityForecast(points, 20_000, usual, 12);
    for (const age of [0, 3, 10]) {
      const { mean, deviation } = byGrid(points, age);
      expect(years[age]!.share).toBeCloseTo(mean, 4);
      expect((years[age]!.most - years[age]!.least) / 2 / 1.645).toBeCloseTo(deviation, 4);
    }
  });

  it('has a year of its own in which the warranty ends: a half one, or one after the forecast', () => {
    for (const years of [7.5, 25]) {
      const { end } = capacityForecast([at(2, 0.96)], 20_000, { ...usual, years }, 15);
      const { mean, deviation } = byGrid([at(2, 0.96)], years);
      expect(end.years).toBe(years);
      expect(end.warranted).toBeCloseTo(0.7, 10);
      expect(end.share).toBeCloseTo(mean, 4);
      expect((end.most - end.least) / 2 / 1.645).toBeCloseTo(deviation, 4);
    }
  });

  it('finds the line of sharp measurements', () => {
    const points = [0, 1, 2, 3, 4, 5].map((years) => at(years, 0.98 - 0.02 * years, 0.0005));
    const { asNew, fadePerYear } = capacityForecast(points, 20_000, usual, 10);
    expect(asNew).toBeCloseTo(0.98, 3);
    expect(fadePerYear).toBeCloseTo(0.02, 3);
  });

  it('warns of a battery that falls short', () => {
    const fast = [0, 1, 2, 3].map((years) => at(years, 1 - 0.05 * years, 0.002));
    expect(capacityForecast(fast, 20_000, usual, 10).atEnd).toBe('short');
    expect(capacityForecast(fast, 20_000, { ...usual, share: 0.4 }, 10).atEnd).toBe('holds');
  });

  it('is never less sure with one measurement more', () => {
    const points = fc.array(
      fc.record({
        years: fc.double({ min: 0, max: 10, noNaN: true }),
        share: fc.double({ min: 0.5, max: 1.1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(points, (all) => {
        const known = all.map(({ years, share }) => at(years, share));
        const width = (some: readonly CapacityPoint[]): number[] =>
          capacityForecast(some, 20_000, usual, 10).years.map(({ least, share }) =>
            least === 0 ? 0 : share - least,
          );
        const [more, fewer] = [width(known), width(known.slice(1))];
        more.forEach((value, year) => {
          if (value > 0 && fewer[year]! > 0) expect(value).toBeLessThanOrEqual(fewer[year]! + 1e-9);
        });
      }),
    );
  });
});
