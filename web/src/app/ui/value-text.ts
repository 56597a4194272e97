/** A value of a job's document in words, for comparisons. */
export function valueText(value: unknown): string {
  if (value === undefined) return 'not there';
  if (value === null) return 'not said';
  if (value === '') return 'empty';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'object') {
    const { name } = value as { name?: unknown };
    return typeof name === 'string' ? `there (${name})` : JSON.stringify(value);
  }
  return String(value as string | number);
}
