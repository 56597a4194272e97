import type { RevisionEntry } from '@levamen/core/api';

/** The revisions of one day on this device's clock, newest first. */
export interface HistoryDay {
  readonly key: string;
  readonly date: Date;
  readonly rows: readonly HistoryRow[];
}

export interface HistoryRow {
  readonly entry: RevisionEntry;
  readonly changes: string;
}

const changesText = ({ revision, changes }: RevisionEntry): string => {
  if (revision === 1) return 'the job as it began';
  if (changes.count === 0) return 'nothing noted';
  const more = changes.count - changes.labels.length;
  return `${changes.labels.join('; ')}${more > 0 ? ` and ${more} more` : ''}`;
};

/**
 * Revisions by day.
 *
 * @param entries newest first
 * @param search part of what changed, of who or of the device; '' = all
 */
export function daysOf(entries: readonly RevisionEntry[], search: string): readonly HistoryDay[] {
  const wanted = search.trim().toLowerCase();
  const days = new Map<string, { date: Date; rows: HistoryRow[] }>();
  for (const entry of entries) {
    const changes = changesText(entry);
    if (!`${changes} ${entry.actor} ${entry.device}`.toLowerCase().includes(wanted)) continue;
    const date = new Date(entry.savedAt);
    const key = [date.getFullYear(), date.getMonth(), date.getDate()].join('-');
    const day = days.get(key) ?? { date, rows: [] };
    day.rows.push({ entry, changes });
    days.set(key, day);
  }
  return [...days].map(([key, { date, rows }]) => ({ key, date, rows }));
}
