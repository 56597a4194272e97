type Saved = Record<string, unknown>;

/** migrations[n] turns the saved form of version n into that of version n + 1. Version 1 is the first. */
const migrations: Readonly<Record<number, (saved: Saved) => Saved>> = {};

/**
 * Brings a saved job up to the present version, one step at a time.
 *
 * @param saved the document as it was saved
 * @param version the version it was saved with
 */
export function migrateJob(saved: Saved, version: number): Saved {
  let migrated = saved;
  for (let from = version; migrations[from]; from += 1) migrated = migrations[from]!(migrated);
  return migrated;
}
