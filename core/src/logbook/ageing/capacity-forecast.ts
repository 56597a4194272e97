import { leastSquares } from '../../commissioning/details.js';

/** What was measured of a battery at an age. */
export interface CapacityPoint {
  readonly years: number;
  readonly usableWh: number;
  /** One deviation, Wh. */
  readonly errorWh: number;
  /** Of the recording, or the outage. */
  readonly id: string;
}

/** What is warranted: so much of the capacity as new after so many years, falling to it in a line. */
export interface WarrantedCurve {
  readonly share: number;
  readonly years: number;
  /** false = nobody said: it is what is usual. */
  readonly isSaid: boolean;
}

export interface ForecastYear {
  readonly years: number;
  /** Shares of the capacity as new: the middle, and between which nine out of ten lie. */
  readonly share: number;
  readonly least: number;
  readonly most: number;
  readonly warranted: number;
}

export interface CapacityForecast {
  readonly years: readonly ForecastYear[];
  /** When the warranty ends, which need not be after whole years. */
  readonly end: ForecastYear;
  /** Capacity as new over what data sheets say, and what is lost a year. */
  readonly asNew: number;
  readonly fadePerYear: number;
  readonly fadeError: number;
  /** When the warranty ends: surely at least what is warranted, likely so, or likely less. */
  readonly atEnd: 'holds' | 'likely' | 'short';
}

/**
 * What is known beforehand of any battery (common practice, no source): as new it holds what its data sheet says, give or take, and it
 * loses 4 % in three years, give or take.
 */
const beforehand = { asNew: 1, asNewError: 0.04, fadePerYear: 0.04 / 3, fadeError: 0.006 };
/** Nine out of ten. */
const band = 1.645;

/**
 * Capacity over the years: the line through what was measured, least squares with the error of each, with what is known beforehand as two
 * more readings; and how far it may be off in each year to come.
 *
 * @param newWh as data sheets say it holds, usable, new
 * @param untilYears the forecast ends there
 */
export function capacityForecast(
  points: readonly CapacityPoint[],
  newWh: number,
  warranted: WarrantedCurve,
  untilYears: number,
): CapacityForecast {
  const { values, covariance } = leastSquares([
    { row: [1, 0], value: beforehand.asNew, error: beforehand.asNewError },
    { row: [0, 1], value: beforehand.fadePerYear, error: beforehand.fadeError },
    ...points.map(({ years, usableWh, errorWh }) => ({
      row: [1, -years],
      value: usableWh / newWh,
      error: Math.max(1e-6, errorWh / newWh),
    })),
  ]);
  const [asNew = beforehand.asNew, fadePerYear = beforehand.fadePerYear] = values;
  const forecastOf = (year: number): ForecastYear => {
    const share = Math.max(0, asNew - fadePerYear * year);
    const variance =
      covariance.get(0, 0) - 2 * year * covariance.get(0, 1) + year * year * covariance.get(1, 1);
    const off = band * Math.sqrt(Math.max(0, variance));
    return {
      years: year,
      share,
      least: Math.max(0, share - off),
      most: share + off,
      warranted: 1 - (1 - warranted.share) * Math.min(1, year / warranted.years),
    };
  };
  const end = forecastOf(warranted.years);
  const atEnd = end.least >= end.warranted ? 'holds' : end.share >= end.warranted ? 'likely' : 'short';
  return {
    years: Array.from({ length: Math.round(untilYears) + 1 }, (_, year) => forecastOf(year)),
    end,
    asNew,
    fadePerYear,
    fadeError: Math.sqrt(covariance.get(1, 1)),
    atEnd,
  };
}
