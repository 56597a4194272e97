/** A backup that lies in the folder. */
export interface BackupFile {
  readonly name: string;
  readonly at: Date;
}

/** Of how many days, weeks and months the last backup is kept. */
export interface Retention {
  readonly days: number;
  readonly weeks: number;
  readonly months: number;
}

const dayMs = 86_400_000;

const dayOf = (at: Date): string => at.toISOString().slice(0, 10);
/** Weeks begin on Monday; the 1st of January 1970 was a Thursday. */
const weekOf = (at: Date): string => String(Math.floor((at.getTime() / dayMs + 3) / 7));
const monthOf = (at: Date): string => at.toISOString().slice(0, 7);

/**
 * Which backups stay: the last of each of the last days, weeks and months that have one (grandfather, father, son), and the newest in any
 * case.
 *
 * @returns their names
 */
export function keptBackups(
  files: readonly BackupFile[],
  { days, weeks, months }: Retention,
): ReadonlySet<string> {
  const newest = files.toSorted((a, b) => b.at.getTime() - a.at.getTime());
  const kept = new Set(newest.slice(0, 1).map(({ name }) => name));
  const keep = (count: number, spanOf: (at: Date) => string): void => {
    const spans = new Set<string>();
    for (const { name, at } of newest) {
      const span = spanOf(at);
      if (spans.has(span)) continue;
      if (spans.size >= count) return;
      spans.add(span);
      kept.add(name);
    }
  };
  keep(days, dayOf);
  keep(weeks, weekOf);
  keep(months, monthOf);
  return kept;
}
