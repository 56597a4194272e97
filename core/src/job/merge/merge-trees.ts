import { isDict, keyInWords, nameOf, namesIn, partsOf, pathLabel, type Dict } from '../identity.js';
import { sameValue } from '../../base/index.js';
import { mergeOrder } from './merge-order.js';

export type MergeSide = 'mine' | 'theirs';

/** A field that both sides changed, each in another way. undefined = not there. */
export interface Contested {
  readonly path: readonly string[];
  readonly label: string;
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface MergedTrees {
  readonly value: unknown;
  readonly contested: readonly Contested[];
}

/** Things whose parts mean something only together; they are merged as wholes. */
const wholes = new Set([
  'measurement',
  'start',
  'fedFrom',
  'conductor',
  'shed',
  'isolation',
  'cost',
  'quiet',
  'goals',
]);

/**
 * Merges two documents that started from one, by the identity of things and not by their place in a list.
 *
 * @param choose which side a field that both changed is taken from
 */
export function mergeTrees(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  choose: (path: readonly string[]) => MergeSide,
): MergedTrees {
  const contested: Contested[] = [];
  const nameById = namesIn(mine, theirs, base);

  const merge = (
    b: unknown,
    m: unknown,
    t: unknown,
    path: readonly string[],
    labels: readonly string[],
  ): unknown => {
    if (sameValue(m, t)) return m;
    if (sameValue(b, m)) return t;
    if (sameValue(b, t)) return m;
    const inMine = partsOf(m);
    const inTheirs = partsOf(t);
    const inBase = b === undefined ? new Map<string, unknown>() : partsOf(b);
    if (inBase && inMine && inTheirs && isDict(m) === isDict(t) && !wholes.has(path.at(-1) ?? '')) {
      const merged = new Map<string, unknown>();
      for (const key of new Set([...inTheirs.keys(), ...inMine.keys(), ...inBase.keys()])) {
        const parts = [inBase.get(key), inMine.get(key), inTheirs.get(key)] as const;
        const label =
          (isDict(m) ? undefined : (nameOf(parts[1], parts[2], parts[0]) ?? nameById(key))) ??
          keyInWords(key);
        const value = merge(...parts, [...path, key], [...labels, label]);
        if (value !== undefined) merged.set(key, value);
      }
      if (isDict(m)) return Object.fromEntries(merged) as Dict;
      const order = mergeOrder(
        [...inBase.keys()],
        [...inMine.keys()],
        [...inTheirs.keys()],
        new Set(merged.keys()),
      );
      return order.map((key) => merged.get(key));
    }
    contested.push({ path, label: pathLabel(path, labels), base: b, mine: m, theirs: t });
    return choose(path) === 'mine' ? m : t;
  };

  return { value: merge(base, mine, theirs, [], []), contested };
}
