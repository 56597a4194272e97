/** Room for what a device keeps. */
export interface StorageRoom {
  readonly usedBytes: number;
  readonly freeBytes: number;
  /** The browser removes nothing by itself where room gets short. */
  readonly isLasting: boolean;
}

/** Less than this, and nothing more is taken along: edits and photos need room, too. */
export const leastFreeBytes = 50_000_000;

/** What the browser says of its storage; null where it says nothing. */
export async function storageRoom(): Promise<StorageRoom | null> {
  const storage = (navigator as { storage?: StorageManager }).storage;
  if (!storage) return null;
  try {
    const [{ usage = 0, quota = 0 }, isLasting] = await Promise.all([
      storage.estimate(),
      storage.persisted(),
    ]);
    return { usedBytes: usage, freeBytes: Math.max(0, quota - usage), isLasting };
  } catch {
    return null;
  }
}

/** Asks the browser to keep what is here until somebody removes it. */
export async function askToLast(): Promise<void> {
  await (navigator as { storage?: StorageManager }).storage?.persist().catch(() => false);
}

/** Bytes as people read them. */
export const bytesText = (bytes: number): string =>
  bytes >= 1e9
    ? `${(bytes / 1e9).toFixed(1)} GB`
    : bytes >= 1e6
      ? `${(bytes / 1e6).toFixed(1)} MB`
      : `${Math.max(1, Math.round(bytes / 1000))} kB`;
