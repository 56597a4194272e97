import { fieldText } from '../../base/index.js';
import type { Item } from '../items/item.schema.js';
import { itemKinds } from '../items/item-kinds.js';
import { fieldHeading, fieldsOfKind, itemHeadings, linkHeadings } from '../items/item-columns.js';
import { goesWithText, needsText, sourcesText } from './link-text.js';

/** Words of the column that says whether an item is still offered. */
export const offeredWords = { offered: 'yes', retired: 'no' } as const;

/**
 * Items as a table: a row of headings, then a row each. Read back with `readItemTable`, it gives the same items.
 */
export function itemTable(items: readonly Item[]): string[][] {
  const headings = itemHeadings(new Set(items.map(({ kind }) => kind)));
  return [headings, ...items.map((item) => rowOf(item, headings))];
}

function rowOf(item: Item, headings: readonly string[]): string[] {
  const cells = new Map<string, string>([
    [linkHeadings.kind, itemKinds[item.kind].label],
    [linkHeadings.id, item.id],
    [linkHeadings.goesWith, goesWithText(item.goesWith)],
    [linkHeadings.needs, needsText(item.needs)],
    [linkHeadings.sources, sourcesText(item.sources)],
    [linkHeadings.retired, item.retired ? offeredWords.retired : offeredWords.offered],
  ]);
  for (const { key, of, schema } of fieldsOfKind(item.kind)) {
    const holder = (of === 'head' ? item : item.ratings) as Readonly<Record<string, unknown>>;
    cells.set(fieldHeading(schema), fieldText(schema, holder[key]));
  }
  return headings.map((heading) => cells.get(heading) ?? '');
}
