export type Dict = Record<string, unknown>;

/** What names an entry of a list; its place does not. */
const identityKeys = ['id', 'serviceId', 'circuitId', 'loadId', 'islandId', 'thingId', 'wallId'] as const;

export const isDict = (value: unknown): value is Dict =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * The entries of a list by what names them, in order.
 *
 * @returns null where they are not all named, or two have one name
 */
export function entriesByIdentity(list: readonly unknown[]): Map<string, unknown> | null {
  for (const key of identityKeys) {
    const found = new Map<string, unknown>();
    for (const item of list) if (isDict(item) && typeof item[key] === 'string') found.set(item[key], item);
    if (found.size === list.length) return found;
  }
  return null;
}

/** What lies in a value, by key or by identity; null where it holds nothing that can be told apart. */
export function partsOf(value: unknown): Map<string, unknown> | null {
  if (Array.isArray(value)) return entriesByIdentity(value);
  return isDict(value) ? new Map(Object.entries(value)) : null;
}

/** Which entry of a list `identity` names; −1 = none. */
export const indexOfIdentity = (list: readonly unknown[], identity: string): number =>
  list.findIndex((item) => isDict(item) && identityKeys.some((key) => item[key] === identity));

/** What lies at a path of keys and identities; undefined where there is nothing. */
export const valueAt = (document: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((node, key) => partsOf(node)?.get(key), document);

/** The name of the first of `candidates` that has one. */
export function nameOf(...candidates: readonly unknown[]): string | undefined {
  const named = candidates.find(
    (one): one is Dict => isDict(one) && typeof one['name'] === 'string' && one['name'] !== '',
  );
  return named?.['name'] as string | undefined;
}

/**
 * Names by identifier, for entries that say something about a thing elsewhere in a document. Looked for when one is first
 * asked for: most comparisons need none.
 */
export function namesIn(...documents: readonly unknown[]): (id: string) => string | undefined {
  let names: Map<string, string> | undefined;
  const collect = (value: unknown, into: Map<string, string>): void => {
    if (Array.isArray(value)) for (const entry of value) collect(entry, into);
    if (!isDict(value)) return;
    const { id, name } = value;
    if (typeof id === 'string' && typeof name === 'string' && name !== '' && !into.has(id))
      into.set(id, name);
    for (const entry of Object.values(value)) if (typeof entry === 'object') collect(entry, into);
  };
  return (id) => {
    if (!names) {
      names = new Map();
      for (const document of documents) collect(document, names);
    }
    return names.get(id);
  };
}

/** What a design is called until there are several. */
export const onlyDesignName = 'Design';

/** A path in the words of its parts. What is said of a design goes by its name; a design that has none of its own goes without saying. */
export function pathLabel(path: readonly string[], labels: readonly string[]): string {
  if (path[0] !== 'designs') return labels.join(' › ');
  const isPlain = labels[1] === onlyDesignName && labels.length > 2;
  return labels.slice(isPlain ? 2 : 1).join(' › ');
}

/** Units stand at the end of a key. */
const unitAtEnd = /(?<=[a-z0-9])(?:WhPerDay|WPerM2|LPerH|Wh|VA|Deg|Min|Ms|M2|[WAVHSMCL])$/;

/** "requiredRuntimeH" → "required runtime" */
export const keyInWords = (key: string): string =>
  key
    .replace(unitAtEnd, '')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase();
