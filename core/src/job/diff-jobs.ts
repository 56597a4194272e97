import { isDict, keyInWords, nameOf, namesIn, partsOf, pathLabel } from './identity.js';
import { sameValue } from '../base/index.js';

/** One field in which two documents differ. */
export interface FieldDifference {
  /** Keys from the root; an entry of a list whose entries have names of their own is named by its own. */
  readonly path: readonly string[];
  /** What the user reads: the names of things rather than their ids. */
  readonly label: string;
  /** undefined = not there. */
  readonly mine: unknown;
  readonly theirs: unknown;
}

/**
 * The fields in which two documents differ, in the order of the first.
 *
 * Lists whose entries have identities are compared entry by entry, whatever their order; other lists as wholes.
 * An entry that only one side has is one difference.
 */
export function diffJobs(mine: unknown, theirs: unknown): FieldDifference[] {
  const found: FieldDifference[] = [];
  const nameById = namesIn(mine, theirs);
  const walk = (a: unknown, b: unknown, path: readonly string[], labels: readonly string[]): void => {
    // Most of two versions of a job is the same; saying so is cheaper than taking it apart.
    if (sameValue(a, b)) return;
    const left = partsOf(a);
    const right = partsOf(b);
    if (left && right && isDict(a) === isDict(b)) {
      for (const key of new Set([...left.keys(), ...right.keys()])) {
        const below = [left.get(key), right.get(key)] as const;
        const label = (isDict(a) ? undefined : (nameOf(...below) ?? nameById(key))) ?? keyInWords(key);
        walk(below[0], below[1], [...path, key], [...labels, label]);
      }
      return;
    }
    found.push({ path, label: pathLabel(path, labels), mine: a, theirs: b });
  };
  walk(mine, theirs, [], []);
  return found;
}
