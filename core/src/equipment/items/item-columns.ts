import { fieldFacts, fieldScale } from '../../base/index.js';
import type * as z from 'zod';
import { headFields } from './item.schema.js';
import { type ItemKind, itemKindNames, itemKinds } from './item-kinds.js';

/** A field of an item: where it stands, and its schema. */
export interface ItemField {
  readonly key: string;
  readonly of: 'head' | 'ratings';
  readonly schema: z.ZodType;
}

/** Heading of a field: what a data sheet calls it, with its unit. */
export function fieldHeading(schema: z.ZodType): string {
  const { label, unit } = fieldFacts.get(schema)!;
  const shown = unit === undefined ? '' : fieldScale(unit, 'metric').unit;
  return shown === '' ? label : `${label} (${shown})`;
}

const known = new Map<ItemKind, readonly ItemField[]>();

/** All fields of a kind, in the order of the form. */
export function fieldsOfKind(kind: ItemKind): readonly ItemField[] {
  const before = known.get(kind);
  if (before) return before;
  const fields = [
    ...Object.entries(headFields).map(([key, schema]): ItemField => ({ key, of: 'head', schema })),
    ...Object.entries<z.ZodType>(itemKinds[kind].fields).map(([key, schema]): ItemField => ({
      key,
      of: 'ratings',
      schema,
    })),
  ];
  known.set(kind, fields);
  return fields;
}

/** What the form calls the field at a path of an item, as "ratings.perLegVA"; null = no single field stands there. */
export function labelAt(kind: ItemKind, path: string): string | null {
  const field = fieldsOfKind(kind).find(({ key }) => key === path.split('.').at(-1));
  return field ? fieldFacts.get(field.schema)!.label : null;
}

/** Columns of what belongs to no single field. */
export const linkHeadings = {
  kind: 'Kind',
  id: 'Identifier',
  goesWith: 'Goes with',
  needs: 'Needs beside it',
  sources: 'Sources',
  retired: 'Offered',
} as const;

/** Headings of a table of items of some kinds: each once, though several kinds have it. */
export function itemHeadings(kinds: ReadonlySet<ItemKind>): string[] {
  const headings = new Set<string>([linkHeadings.kind, linkHeadings.id]);
  for (const kind of itemKindNames)
    if (kinds.has(kind)) for (const { schema } of fieldsOfKind(kind)) headings.add(fieldHeading(schema));
  for (const heading of [
    linkHeadings.goesWith,
    linkHeadings.needs,
    linkHeadings.sources,
    linkHeadings.retired,
  ])
    headings.add(heading);
  return [...headings];
}
