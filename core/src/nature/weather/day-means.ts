import { hoursOfYear } from './weather-year.js';

/** The mean temperature of each of 365 days, °C. */
export const dayMeansC = (temperatureC: ArrayLike<number>): Float64Array =>
  Float64Array.from({ length: hoursOfYear / 24 }, (_, day) => {
    let sum = 0;
    for (let hour = 0; hour < 24; hour += 1) sum += temperatureC[day * 24 + hour]!;
    return sum / 24;
  });
