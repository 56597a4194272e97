import { gap } from '@levamen/core/house/details';
import papaparse from 'papaparse';
import type { SavedReadingSet } from '@levamen/core/api';

const units = { power: 'W', energy: 'Wh' } as const;

/**
 * Meter data as CSV: a row an interval, the moment of its begin in UTC, a column a channel.
 *
 * @param values of each channel, in thousandths; null = they are gone
 */
export function csvOfReadings(
  { startS, intervalS, count, channels }: SavedReadingSet,
  values: readonly (Int32Array | null)[],
): string {
  const rows = Array.from({ length: count }, (_, index) => [
    new Date((startS + index * intervalS) * 1000).toISOString(),
    ...values.map((milli) => {
      const value = milli?.[index];
      return value === undefined || value === gap ? '' : value / 1000;
    }),
  ]);
  const fields = ['time', ...channels.map(({ name, quantity }) => `${name} (${units[quantity]})`)];
  // Cells that a spreadsheet would take for a formula are kept as text.
  return `${papaparse.unparse({ fields, data: rows }, { escapeFormulae: true })}\r\n`;
}
