import { readFieldText } from '../../base/index.js';
import { fieldsOfKind } from './item-columns.js';
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
  | {
      readonly ok: true;
      readonly item: Item;
      readonly doubts: readonly Doubt[];
      readonly missing: readonly string[];
    }
  | {
      readonly ok: false;
      readonly doubts: readonly Doubt[];
      /** Paths of fields that are needed and empty. */
      readonly missing: readonly string[];
    };

/** The draft as far as it goes: comparisons with a number nobody has given hold in no direction. */
function asFarAsItGoes(draft: ItemDraft, missing: readonly string[]): Item {
  const ratings: Record<string, unknown> = { ...draft.ratings };
  for (const path of missing) {
    const key = path.replace('ratings.', '');
    if (key in ratings) ratings[key] = key === 'systems' ? [] : NaN;
  }
  return { ...draft, ratings } as Item;
}

/** Whether a draft is an item, and what is doubtful about it; what is needed and not there is named. */
export function checkDraft(draft: ItemDraft): CheckedDraft {
  const read = itemSchema.safeParse(draft);
  if (read.success) {
    const doubts = itemDoubts(read.data);
    return doubts.some(({ refuses }) => refuses)
      ? { ok: false, doubts, missing: [] }
      : { ok: true, item: read.data, doubts, missing: [] };
  }
  const missing = new Set<string>();
  const wrong = new Map<string, string>();
  for (const { path, message } of read.error.issues) {
    const [head, rating] = path.map(String);
    const isRating = head === 'ratings' && rating !== undefined;
    const value: unknown = isRating ? draft.ratings[rating] : draft[head as keyof ItemDraft];
    const at = isRating ? `ratings.${rating}` : (head ?? '');
    const isEmpty = value === null || value === '' || (Array.isArray(value) && value.length === 0);
    if (isEmpty) missing.add(at);
    else if (!wrong.has(at)) wrong.set(at, message);
  }
  const doubts: Doubt[] = [...wrong].map(([path, message]) => ({ path, message, refuses: true }));
  if (wrong.size === 0) doubts.push(...itemDoubts(asFarAsItGoes(draft, [...missing])));
  return { ok: false, doubts, missing: [...missing] };
}
