import type { Tariff } from './tariff.schema.js';

/** The band of each minute of a day of a season, as an index into the tariff's bands. */
export function bandsOfDay(
  { bands, windows, seasons }: Pick<Tariff, 'bands' | 'windows' | 'seasons'>,
  seasonIndex: number,
  isWeekend: boolean,
): Uint8Array {
  const plan = new Uint8Array(1440);
  const seasonId = seasons[seasonIndex]!.id;
  // From the last to the first: the first that fits counts.
  for (const { bandId, seasonIds, days, fromMin, toMin } of windows.toReversed()) {
    if (seasonIds.length > 0 && !seasonIds.includes(seasonId)) continue;
    if (days !== 'all' && (days === 'weekend') !== isWeekend) continue;
    const index = bands.findIndex(({ id }) => id === bandId);
    if (fromMin < toMin) plan.fill(index, fromMin, toMin);
    else {
      plan.fill(index, fromMin);
      plan.fill(index, 0, toMin);
    }
  }
  return plan;
}
