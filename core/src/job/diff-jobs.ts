/** One field in which two documents differ. */
export interface FieldDifference {
  /** Keys from the root; an entry of a list with ids is named by its id. */
  readonly path: readonly string[];
  /** What the user reads: the names of things rather than their ids. */
  readonly label: string;
  /** undefined = not there. */
  readonly mine: unknown;
  readonly theirs: unknown;
}

type Dict = Record<string, unknown>;

const isDict = (value: unknown): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isIdList = (value: unknown): value is (Dict & { id: string })[] =>
  Array.isArray(value) && value.every((item) => isDict(item) && typeof item['id'] === 'string');

const entries = (value: unknown): Map<string, unknown> | null => {
  if (isIdList(value)) return new Map(value.map((item) => [item.id, item]));
  return isDict(value) ? new Map(Object.entries(value)) : null;
};

const nameOf = (...candidates: unknown[]): string | undefined => {
  const named = candidates.find((c): c is Dict => isDict(c) && typeof c['name'] === 'string');
  return named?.['name'] as string | undefined;
};

/** "requiredRuntimeH" → "required runtime h" */
const words = (key: string): string => key.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();

/**
 * The fields in which two documents differ, in the order of the first.
 *
 * Lists whose entries have ids are compared entry by entry, whatever their order; other lists as wholes.
 * An entry that only one side has is one difference.
 */
export function diffJobs(mine: unknown, theirs: unknown): FieldDifference[] {
  const found: FieldDifference[] = [];
  const walk = (a: unknown, b: unknown, path: readonly string[], labels: readonly string[]): void => {
    if (a === b) return;
    const left = entries(a);
    const right = entries(b);
    if (left && right && isDict(a) === isDict(b)) {
      const isRoot = path.length === 0;
      for (const key of new Set([...left.keys(), ...right.keys()])) {
        const below = [left.get(key), right.get(key)] as const;
        const label = (isRoot || isDict(a) ? undefined : nameOf(...below)) ?? words(key);
        walk(below[0], below[1], [...path, key], [...labels, label]);
      }
      return;
    }
    if (JSON.stringify(a) === JSON.stringify(b)) return;
    found.push({ path, label: labels.join(' › '), mine: a, theirs: b });
  };
  walk(mine, theirs, [], []);
  return found;
}
