import Holidays from 'date-holidays';

/**
 * The public holidays of a country or region in some years, as days since 1970 (of the date-holidays package).
 *
 * @param code "CA", "CA-NS", "DE-BY"; '' gives none
 * @returns null where the package knows no such place
 */
export function publicHolidays(code: string, years: readonly number[]): Set<number> | null {
  if (code === '') return new Set();
  const [country, state, region] = code.split('-') as [string, string?, string?];
  const calendar = new Holidays();
  if (!(country in calendar.getCountries('en'))) return null;
  if (state !== undefined && !(state in (calendar.getStates(country, 'en') ?? {}))) return null;
  calendar.init(country, state ?? '', region ?? '');
  const days = new Set<number>();
  for (const year of years)
    for (const { type, date } of calendar.getHolidays(year) ?? [])
      if (type === 'public') days.add(Date.parse(`${date.slice(0, 10)}T00:00:00Z`) / 86_400_000);
  return days;
}
