import { type Season, seasonOfDay } from '../../nature/index.js';

/** The days of a season as one stretch: first day (may lie at the end of the year) and how many. */
export function seasonStretch(
  season: Season,
  latitudeDeg: number,
): { readonly firstDay: number; readonly days: number }[] {
  const stretches: { firstDay: number; days: number }[] = [];
  const of = (day: number): boolean => seasonOfDay(day, latitudeDeg) === season;
  for (let day = 0; day < 365; day += 1) {
    if (!of(day)) continue;
    if (!of(day - 1)) {
      let days = 1;
      while (of(day + days)) days += 1;
      stretches.push({ firstDay: day, days });
    }
  }
  return stretches;
}
