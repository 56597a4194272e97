import type { Item } from '../../equipment/index.js';
import { type ItemChange, itemChanges } from '../../equipment/details.js';

/** What is different between two lists, as far as a design is concerned. */
export interface ListDifference {
  /** Items in use that the other list has with other values. */
  readonly changed: readonly { readonly name: string; readonly changes: readonly ItemChange[] }[];
  /** Items in use that are offered no longer. */
  readonly gone: readonly string[];
  /** Items that are not in use: so many are new, other, or gone. */
  readonly others: number;
}

/**
 * @param before items a design was made with
 * @param after items as another revision has them
 * @param used identifiers of the items in use
 */
export function compareLists(
  before: readonly Item[],
  after: readonly Item[],
  used: ReadonlySet<string>,
): ListDifference {
  const now = new Map(after.map((item) => [item.id, item]));
  const then = new Map(before.map((item) => [item.id, item]));
  const changed: { name: string; changes: ItemChange[] }[] = [];
  const gone: string[] = [];
  let others = 0;
  for (const item of before) {
    const next = now.get(item.id);
    const isGone = next === undefined || (next.retired && !item.retired);
    const changes = next?.kind === item.kind ? itemChanges(item, next) : [];
    if (!used.has(item.id)) others += isGone || changes.length > 0 ? 1 : 0;
    else if (isGone) gone.push(item.name);
    else if (changes.length > 0) changed.push({ name: item.name, changes });
  }
  others += after.filter(({ id, retired }) => !then.has(id) && !retired).length;
  return { changed, gone, others };
}
