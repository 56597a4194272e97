/** A saved form, as far as it is known: a document that was never valid passes through without an error. */
export type Saved = Record<string, unknown>;

export const isRecord = (value: unknown): value is Saved => typeof value === 'object' && value !== null;

/** A text; '' where it is none. What is no text may not even have one. */
export const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');

export const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

/** Changes the entries of a list that are records; what is no list stays what it is. */
export const mapRecords = (value: unknown, change: (entry: Saved) => Saved): unknown =>
  Array.isArray(value) ? value.map((entry: unknown) => (isRecord(entry) ? change(entry) : entry)) : value;
