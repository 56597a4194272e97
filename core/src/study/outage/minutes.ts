/** Minutes of a day and of a year of 365 days. A minute of the year is counted in the standard time of the place. */
export const minutesOfDay = 1440;
export const minutesOfYear = 525_600;

/** Brings any minute into the year: the year repeats. */
export const wrapMinute = (minute: number): number =>
  ((minute % minutesOfYear) + minutesOfYear) % minutesOfYear;
