import { recordingColumns } from '@levamen/core/api';
import papaparse from 'papaparse';

/**
 * A recording of a system as CSV: a row a reading, with the moment in UTC before its columns.
 *
 * @param beganAt moment of its second 0, ISO
 */
export function csvOfRecording(beganAt: string, rows: readonly (readonly (number | null)[])[]): string {
  const beganMs = Date.parse(beganAt);
  const data = rows.map((row) => [
    new Date(beganMs + (row[0] ?? 0) * 1000).toISOString(),
    ...row.map((value) => value ?? ''),
  ]);
  return `${papaparse.unparse({ fields: ['time', ...recordingColumns], data })}\r\n`;
}
