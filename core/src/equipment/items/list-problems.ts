import type { Item } from './item.schema.js';

/** Something that is wrong between items. */
export interface ListProblem {
  readonly itemId: string;
  readonly path: 'goesWith' | 'needs' | 'name' | 'id';
  readonly message: string;
}

/**
 * What is wrong between the items of a list: names and ids that are there twice, items that name one that is not there, and circles of
 * what goes with what.
 */
export function listProblems(items: readonly Item[]): ListProblem[] {
  const byId = new Map<string, Item>();
  const names = new Map<string, Item>();
  const problems: ListProblem[] = [];
  for (const item of items) {
    if (byId.has(item.id))
      problems.push({ itemId: item.id, path: 'id', message: `The identifier ${item.id} is there twice.` });
    byId.set(item.id, item);
    if (item.retired) continue;
    const same = names.get(item.name.toLowerCase());
    if (same)
      problems.push({
        itemId: item.id,
        path: 'name',
        message: `Another item is called ${item.name}. Give one of them another name.`,
      });
    else names.set(item.name.toLowerCase(), item);
  }
  for (const item of items)
    for (const path of ['goesWith', 'needs'] as const)
      for (const { itemId } of item[path])
        if (!byId.has(itemId))
          problems.push({
            itemId: item.id,
            path,
            message: `${item.name} names “${itemId}”, which is not in the list. Enter it first, or take it out here.`,
          });
  problems.push(...circles(items, byId));
  return problems;
}

/** Follows what goes with what, and what stands beside it, in depth. */
function circles(items: readonly Item[], byId: ReadonlyMap<string, Item>): ListProblem[] {
  const done = new Set<string>();
  const problems: ListProblem[] = [];
  const visit = (item: Item, way: readonly Item[]): void => {
    const begin = way.indexOf(item);
    if (begin >= 0) {
      const round = [...way.slice(begin), item].map(({ name }) => name).join(' → ');
      problems.push({
        itemId: item.id,
        path: 'goesWith',
        message: `These name each other in a circle: ${round}. Say what goes with what on one of them only.`,
      });
      return;
    }
    if (done.has(item.id)) return;
    for (const { itemId } of [...item.goesWith, ...item.needs]) {
      const next = byId.get(itemId);
      if (next && next !== item) visit(next, [...way, item]);
    }
    done.add(item.id);
  };
  for (const item of items) visit(item, []);
  return problems;
}
