import type { FieldDifference } from './diff-jobs.js';
import { indexOfIdentity, type Dict } from './identity.js';

/**
 * A copy of `document` in which the field of `difference` has their value instead of mine.
 *
 * @param document the document the difference was found in, as "mine"
 * @param difference one of the rows of {@link diffJobs}
 */
export function applyDifference<T>(document: T, difference: Pick<FieldDifference, 'path' | 'theirs'>): T {
  const set = (node: unknown, path: readonly string[]): unknown => {
    const [key, ...rest] = path;
    if (key === undefined) return difference.theirs;
    if (Array.isArray(node)) {
      const list = node as Dict[];
      const index = indexOfIdentity(list, key);
      if (index < 0) {
        const added = set(undefined, rest);
        return added === undefined ? list : [...list, added];
      }
      const value = set(list[index], rest);
      return value === undefined ? list.toSpliced(index, 1) : list.with(index, value as Dict);
    }
    const dict = (node ?? {}) as Dict;
    const value = set(dict[key], rest);
    const { [key]: _old, ...others } = dict;
    // Assigning keeps the order of the keys, which keeps comparisons and files stable.
    return value === undefined ? others : { ...dict, [key]: value };
  };
  return set(document, difference.path) as T;
}
