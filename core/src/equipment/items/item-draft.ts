import { readFieldText } from '../../base/index.js';
import { fieldsOfKind } from '../tables/item-columns.js';
import { emptyHead } from './empty-item.js';
import { type Item, itemSchema } from './item.schema.js';
import { type Doubt, itemDoubts } from './item-doubts.js';
import type { ItemKind } from './item-kinds.js';

/** An item that is being entered: a rating that is needed may still be null. */
export type ItemDraft = Omit<Item, 'kind' | 'ratings'> & {
  readonly kind: ItemKind;
  readonly ratings: Readonly<Record<string, unknown>>;
};

/** An item of which only the kind is known. */
export function newDraft(kind: ItemKind, id: string): ItemDraft {
  const ratings: Record<string, unknown> = {};
  for (const { key, of, schema } of fieldsOfKind(kind)) {
    if (of !== 'ratings') continue;
    const read = readFieldText(schema, '');
    ratings[key] = read.ok ? read.value : null;
  }
  return { ...emptyHead, id, name: '', kind, ratings };
}

export type CheckedDraft =
  | { readonly ok: true; readonly item: Item; readonly doubts: readonly Doubt[] }
  | { readonly ok: false; readonly doubts: readonly Doubt[] };

/** Whether a draft is an item, and what is doubtful about it; what is missing is named by its field. */
export function checkDraft(draft: ItemDraft): CheckedDraft {
  const read = itemSchema.safeParse(draft);
  if (!read.success) {
    const seen = new Set<string>();
    const doubts = read.error.issues.flatMap(({ path, message }): Doubt[] => {
      const field = path.slice(0, path[0] === 'ratings' ? 2 : 1).join('.');
      if (seen.has(field)) return [];
      seen.add(field);
      return [{ path: field, message, refuses: true }];
    });
    return { ok: false, doubts };
  }
  const doubts = itemDoubts(read.data);
  return doubts.some(({ refuses }) => refuses)
    ? { ok: false, doubts }
    : { ok: true, item: read.data, doubts };
}
