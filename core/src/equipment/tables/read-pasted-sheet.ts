import { fieldFacts, readFieldText } from '../../base/index.js';
import type { ItemKind } from '../items/item-kinds.js';
import { otherNames } from './other-names.js';
import { fieldsOfKind, type ItemField } from '../items/item-columns.js';

/** What was found for one field. */
export interface PastedField {
  readonly field: ItemField;
  readonly label: string;
  readonly text: string;
  readonly value: unknown;
}

export interface PastedSheet {
  readonly found: readonly PastedField[];
  /** Lines whose label is known and whose value is not. */
  readonly problems: readonly { readonly line: string; readonly message: string }[];
  /** Lines nothing was taken from. */
  readonly leftOut: readonly string[];
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\(.*?\)|\[.*?\]/g, ' ')
    .replace(/[^\p{L}\p{N}./%-]+/gu, ' ')
    .trim();

const unitIn = (label: string): string => /[([]\s*([^()[\]]{1,8})\s*[)\]]/.exec(label)?.[1] ?? '';

/** "Weight: 96 kg", "Weight<Tab>96 kg" or label and value with wide space between them. */
function halves(line: string): [label: string, value: string] | null {
  const tab = line.split('\t').map((one) => one.trim());
  if (tab.length >= 2 && tab[0] !== '') return [tab[0]!, tab.slice(1).find((one) => one !== '') ?? ''];
  const found = /^(.+?)(?:\s*[:=]\s+|\s{2,}|\s*:\s*)(\S.*)$/.exec(line.trim());
  return found ? [found[1]!, found[2]!] : null;
}

/** "850 × 620 × 190 mm" is height, width and depth, in the order of data sheets in millimetres. */
const dimensions =
  /^([\d.,]+)\s*(?:mm|in|")?\s*[x×]\s*([\d.,]+)\s*(?:mm|in|")?\s*[x×]\s*([\d.,]+)\s*(mm|cm|in|")?$/i;
/** "-10 to 50 °C". */
const range =
  /^([+−–-]?\s*[\d.,]+)\s*(?:°\s*[cf])?\s*(?:to|…|\.\.\.?|bis|–|~)\s*([+−-]?\s*[\d.,]+)\s*°?\s*([cf])?$/i;

/**
 * Reads a column of a data sheet, as it is copied from one: a label and a value a line. Labels are known by the names of the form
 * and by what data sheets usually call them; the longest name that fits counts.
 *
 * @param kind of the item the sheet is about
 */
export function readPastedSheet(kind: ItemKind, text: string): PastedSheet {
  const fields = fieldsOfKind(kind);
  const names = fields
    .flatMap((field) =>
      [fieldFacts.get(field.schema)!.label, ...(otherNames[field.key] ?? [])].map((name) => ({
        field,
        name: plain(name),
      })),
    )
    .toSorted((a, b) => b.name.length - a.name.length);
  const found = new Map<string, PastedField>();
  const problems: { line: string; message: string }[] = [];
  const leftOut: string[] = [];
  const take = (field: ItemField, label: string, value: string, line: string, unit = ''): void => {
    const read = readFieldText(field.schema, value, unit);
    if (!read.ok) problems.push({ line, message: read.message });
    else if (!found.has(field.key)) found.set(field.key, { field, label, text: value, value: read.value });
  };
  const keyed = (key: string): ItemField => fields.find((field) => field.key === key)!;
  for (const line of text.split(/\r?\n/)) {
    if (line.trim() === '') continue;
    const parts = halves(line);
    if (!parts) {
      leftOut.push(line.trim());
      continue;
    }
    const [label, value] = parts;
    const size = dimensions.exec(value);
    if (size && /dimension|size|w\s*[x×]|h\s*[x×]|mass|abmess/i.test(label)) {
      const unit = size[4] ?? 'mm';
      orderOf(label).forEach((key, index) => take(keyed(key), label, `${size[index + 1]!} ${unit}`, line));
      continue;
    }
    const temperatures = range.exec(value);
    if (temperatures && /temperature|ambient|operating/i.test(label)) {
      const unit = (temperatures[3] ?? 'c').toUpperCase();
      const clean = (one: string): string => `${one.replace(/[−–]/g, '-').replace(/\s/g, '')} °${unit}`;
      take(keyed('coldestC'), label, clean(temperatures[1]!), line);
      take(keyed('hottestC'), label, clean(temperatures[2]!), line);
      continue;
    }
    const asked = plain(label);
    const name =
      names.find((one) => one.name === asked) ?? names.find((one) => ` ${asked} `.includes(` ${one.name} `));
    if (name) take(name.field, label, value, line, unitIn(label));
    else leftOut.push(line.trim());
  }
  return { found: [...found.values()], problems, leftOut };
}

/** The order a label names ("W × H × D"); width, height, depth where it names none. */
function orderOf(label: string): readonly ['widthMm' | 'heightMm' | 'depthMm', string, string] {
  const letters = /([whdl])\s*[x×/]\s*([whdl])\s*[x×/]\s*([whdl])/i.exec(label);
  const keys = { w: 'widthMm', h: 'heightMm', d: 'depthMm', l: 'heightMm' } as const;
  if (!letters) return ['widthMm', 'heightMm', 'depthMm'];
  const [first, second, third] = letters.slice(1).map((one) => keys[one.toLowerCase() as keyof typeof keys]);
  return [first!, second!, third!];
}
