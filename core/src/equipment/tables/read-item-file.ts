import { completeItem } from '../items/complete-item.js';
import { itemDoubts } from '../items/item-doubts.js';
import { itemFileTitle } from '../items/item-json-schema.js';
import { type Item, itemSchema } from '../items/item.schema.js';
import type { CellProblem, ReadItems } from './read-item-table.js';

/** How many mistakes of one item are named. */
const mostMistakes = 5;

/** Reads a JSON file of equipment: a list of items, or an object that has one. Items at fault are named by their place, the others kept. */
export function readItemFile(text: string): ReadItems {
  const refused = (message: string): ReadItems => ({
    items: [],
    problems: [{ row: 1, column: '', message }],
    leftOut: [],
  });
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return refused('This is not JSON. Choose a file of equipment that ends in .json, .csv or .xlsx.');
  }
  const listed = Array.isArray(file) ? file : (file as { items?: unknown } | null)?.items;
  if (!Array.isArray(listed)) return refused(`There is no list “items” in it. ${itemFileTitle} has one.`);
  const items: Item[] = [];
  const problems: CellProblem[] = [];
  (listed as unknown[]).forEach((one, index) => {
    const row = index + 1;
    const read = itemSchema.safeParse(typeof one === 'object' && one !== null ? completeItem(one) : one);
    if (!read.success) {
      for (const { path, message } of read.error.issues.slice(0, mostMistakes))
        problems.push({ row, column: path.join('.'), message });
      return;
    }
    const doubts = itemDoubts(read.data).filter(({ refuses }) => refuses);
    for (const { path, message } of doubts) problems.push({ row, column: path, message });
    if (doubts.length === 0) items.push(read.data);
  });
  return { items, problems, leftOut: [] };
}
