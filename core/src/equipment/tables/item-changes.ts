import { fieldFacts, shownFieldText } from '../../base/index.js';
import type { Item } from '../items/item.schema.js';
import { fieldsOfKind, linkHeadings } from '../items/item-columns.js';
import { goesWithText, needsText } from './link-text.js';

/** A field of an item that differs between two states of it. */
export interface ItemChange {
  readonly label: string;
  /** '' = nothing was said. */
  readonly before: string;
  readonly after: string;
}

/** What is different about an item, field by field; items of one kind. */
export function itemChanges(before: Item, after: Item): ItemChange[] {
  const changes: ItemChange[] = [];
  const add = (label: string, was: string, is: string): void => {
    if (was !== is) changes.push({ label, before: was, after: is });
  };
  for (const { key, of, schema } of fieldsOfKind(after.kind)) {
    const at = (item: Item): unknown =>
      ((of === 'head' ? item : item.ratings) as Readonly<Record<string, unknown>>)[key];
    add(fieldFacts.get(schema)!.label, shownFieldText(schema, at(before)), shownFieldText(schema, at(after)));
  }
  add(linkHeadings.goesWith, goesWithText(before.goesWith), goesWithText(after.goesWith));
  add(linkHeadings.needs, needsText(before.needs), needsText(after.needs));
  add(linkHeadings.retired, before.retired ? 'no' : 'yes', after.retired ? 'no' : 'yes');
  return changes;
}
