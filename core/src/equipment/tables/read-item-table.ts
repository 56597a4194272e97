import { fieldFacts, readFieldText } from '../../base/index.js';
import type { GoesWith, Need } from '../items/item-head.js';
import { type Item, itemSchema } from '../items/item.schema.js';
import { itemDoubts } from '../items/item-doubts.js';
import { type ItemKind, itemKindNames, itemKinds } from '../items/item-kinds.js';
import { emptyHead } from '../items/empty-item.js';
import { fieldsOfKind, type ItemField, labelAt, linkHeadings } from '../items/item-columns.js';
import { otherNames } from './other-names.js';
import { offeredWords } from './item-table.js';
import { readGoesWith, readNeeds, readSources } from './link-text.js';

/** A cell that could not be read. */
export interface CellProblem {
  /** Counted as a spreadsheet does: the headings are row 1. */
  readonly row: number;
  readonly column: string;
  readonly message: string;
}

export interface ReadItems {
  /** The rows that are whole. */
  readonly items: readonly Item[];
  readonly problems: readonly CellProblem[];
  /** Columns nothing was taken from. */
  readonly leftOut: readonly string[];
}

/** A text that a spreadsheet would take for a formula begins with an apostrophe; it is none of the text. */
export const formulaLike = /^'*(?:[=+@\t\r]|-(?![\d.]))/;
const unescaped = (cell: string): string =>
  cell.startsWith("'") && formulaLike.test(cell) ? cell.slice(1) : cell;

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

interface Heading {
  readonly text: string;
  readonly label: string;
  readonly unit: string;
}

/** "Mass (lb)", "Mass, lb" and "Mass [lb]" are the label with a unit. */
function headingOf(text: string): Heading {
  const found = /^(.*?)\s*(?:\(([^()]*)\)|\[([^[\]]*)\]|,\s*([^\s,]{1,8}))$/.exec(text.trim());
  const unit = found?.[2] ?? found?.[3] ?? found?.[4] ?? '';
  return { text: text.trim(), label: plain(found?.[1] ?? text), unit: unit.trim() };
}

const links = new Map<string, keyof typeof linkHeadings>(
  (Object.entries(linkHeadings) as [keyof typeof linkHeadings, string][]).flatMap(([key, label]) => [
    [plain(label), key],
    [plain(key), key],
  ]),
);

/** What the fields of any kind are called: in a table of several kinds such a heading means that field, and nothing else. */
const ownLabels = new Set(
  itemKindNames.flatMap((kind) =>
    fieldsOfKind(kind).map(({ schema }) => plain(fieldFacts.get(schema)!.label)),
  ),
);

/** The field of a kind a heading means; null = the kind has no such field. */
function fieldFor({ text, label }: Heading, kind: ItemKind): ItemField | null {
  const fields = fieldsOfKind(kind);
  const named = (name: string): ItemField | undefined =>
    fields.find(({ key, schema }) => plain(fieldFacts.get(schema)!.label) === name || plain(key) === name);
  const calledElsewhere = (name: string): ItemField | undefined =>
    ownLabels.has(name) ? undefined : fields.find(({ key }) => otherNames[key]?.includes(name));
  return named(plain(text)) ?? named(label) ?? calledElsewhere(label) ?? null;
}

const kindOf = (text: string): ItemKind | null =>
  itemKindNames.find((kind) => plain(kind) === plain(text) || plain(itemKinds[kind].label) === plain(text)) ??
  null;

/** A name as an identifier. */
export const identifierOf = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40) || 'item';

/** What somebody says about a table that names its columns otherwise. */
export interface TableMeanings {
  /** What a heading means: a field's label, or a heading of links; units stay those of the heading. */
  readonly columns?: ReadonlyMap<string, string>;
  /** The kind of rows that name none. */
  readonly kind?: ItemKind | null;
}

/** Everything a column may mean, of whatever kind. */
export const columnMeanings = (): readonly string[] => [
  ...Object.values(linkHeadings),
  ...new Set(
    itemKindNames.flatMap((kind) => fieldsOfKind(kind).map(({ schema }) => fieldFacts.get(schema)!.label)),
  ),
];

/**
 * Reads a table of items: headings as `itemTable` writes them, or the names of the fields, in any order; units in the headings or in
 * the cells. A row with a mistake is named with its column, and the others are kept.
 *
 * @param rows the first is the headings
 * @param meanings what columns mean whose names are not known
 */
export function readItemTable(
  rows: readonly (readonly string[])[],
  { columns = new Map(), kind: usualKind = null }: TableMeanings = {},
): ReadItems {
  const named = (rows[0] ?? []).map((text) => text.trim());
  const headings = named.map((text) => {
    const heading = headingOf(text);
    const meant = columns.get(text);
    return meant === undefined ? heading : { ...heading, text: meant, label: plain(meant) };
  });
  const problems: CellProblem[] = [];
  const items: Item[] = [];
  const used = new Set<number>();
  const ids = new Set<string>();
  const isTable = headings.some(
    ({ text, label }) =>
      links.get(plain(text)) === 'kind' || label === 'name' || otherNames['name']!.includes(label),
  );
  if (!isTable) {
    const message =
      'The first row must name the columns; “Kind” and “Name” are needed. Say below which they are.';
    const leftOut = named.filter((text) => text !== '');
    return { items, problems: [{ row: 1, column: '', message }], leftOut };
  }
  rows.slice(1).forEach((texts, index) => {
    const cells = texts.map(unescaped);
    if (cells.every((cell) => cell.trim() === '')) return;
    const row = index + 2;
    const problem = (column: string, message: string): unknown => problems.push({ row, column, message });
    const before = problems.length;
    const cellOf = (key: keyof typeof linkHeadings): string => {
      const column = headings.findIndex(({ text }) => links.get(plain(text)) === key);
      if (column >= 0) used.add(column);
      return (cells[column] ?? '').trim();
    };
    const kind = kindOf(cellOf('kind')) ?? (cellOf('kind') === '' ? usualKind : null);
    if (kind === null) {
      const known = itemKindNames.map((one) => itemKinds[one].label).join(', ');
      problem(linkHeadings.kind, `“${cellOf('kind')}” is no kind of item. Kinds: ${known}`);
      return;
    }
    const head: Record<string, unknown> = { ...emptyHead };
    const ratings: Record<string, unknown> = {};
    const seen = new Set<string>();
    headings.forEach((heading, column) => {
      if (links.has(plain(heading.text))) return;
      const field = fieldFor(heading, kind);
      if (!field) return;
      used.add(column);
      seen.add(field.key);
      const read = readFieldText(field.schema, cells[column] ?? '', heading.unit);
      if (read.ok) (field.of === 'head' ? head : ratings)[field.key] = read.value;
      else problem(heading.text, read.message);
    });
    for (const { key, of, schema } of fieldsOfKind(kind)) {
      if (seen.has(key)) continue;
      const read = readFieldText(schema, '');
      if (read.ok) (of === 'head' ? head : ratings)[key] = read.value;
      else problem(fieldFacts.get(schema)!.label, `${read.message}, and the table has no such column`);
    }
    const link = <T>(
      key: 'goesWith' | 'needs' | 'sources',
      read: (text: string) => { ok: true; value: T[] } | { ok: false; message: string },
    ): T[] => {
      const found = read(cellOf(key));
      if (found.ok) return found.value;
      problem(linkHeadings[key], found.message);
      return [];
    };
    const goesWith = link<GoesWith>('goesWith', readGoesWith);
    const needs = link<Need>('needs', readNeeds);
    const sources = link<Item['sources'][number]>('sources', readSources);
    const offered = plain(cellOf('retired'));
    if (offered !== '' && offered !== offeredWords.offered && offered !== offeredWords.retired)
      problem(linkHeadings.retired, `Write ${offeredWords.offered} or ${offeredWords.retired}`);
    const id = cellOf('id') || identifierOf(typeof head['name'] === 'string' ? head['name'] : '');
    if (ids.has(id))
      problem(linkHeadings.id, `“${id}” is there twice. Give each row its own identifier or name`);
    ids.add(id);
    if (problems.length > before) return;
    const whole = itemSchema.safeParse({
      ...head,
      id,
      kind,
      ratings,
      goesWith,
      needs,
      sources,
      retired: offered === offeredWords.retired,
    });
    if (!whole.success) {
      for (const { path, message } of whole.error.issues) problem(path.join('.'), message);
      return;
    }
    const refused = itemDoubts(whole.data).filter(({ refuses }) => refuses);
    for (const { path, message } of refused) {
      problem(labelAt(kind, path) ?? linkHeadings[path as 'goesWith'], message);
    }
    if (refused.length === 0) items.push(whole.data);
  });
  const leftOut = named.filter((_, column) => !used.has(column));
  return { items, problems, leftOut: leftOut.filter((text) => text !== '') };
}
