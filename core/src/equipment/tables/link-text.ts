import type { GoesWith, Need } from '../items/item-head.js';
import type { Item } from '../items/item.schema.js';

/** What goes with an item, as the text of a cell: "madder-pack 0 to 3 each; bank 4 to 12 in 4s together". */
export const goesWithText = (goesWith: readonly GoesWith[]): string =>
  goesWith
    .map(
      ({ itemId, least, most, step, per }) =>
        `${itemId} ${least} to ${most}${step === 1 ? '' : ` in ${step}s`} ${per}`,
    )
    .join('; ');

/** What stands beside an item: "busbar 1 for 6; cable 2". */
export const needsText = (needs: readonly Need[]): string =>
  needs
    .map(
      ({ itemId, quantity, forEach }) => `${itemId} ${quantity}${forEach === null ? '' : ` for ${forEach}`}`,
    )
    .join('; ');

/** Where single ratings were read: "continuousVA: letter of 3 March". */
export const sourcesText = (sources: Item['sources']): string =>
  sources.map(({ field, source }) => `${field}: ${source}`).join('; ');

type Read<T> = { readonly ok: true; readonly value: T[] } | { readonly ok: false; readonly message: string };

function readParts<T>(text: string, shape: RegExp, example: string, make: (found: string[]) => T): Read<T> {
  const value: T[] = [];
  for (const part of text.split(/[;\n]/).map((one) => one.trim())) {
    if (part === '') continue;
    const found = shape.exec(part);
    if (!found) return { ok: false, message: `“${part}” is not understood. Write it as “${example}”` };
    value.push(make([...found].map((one: string | undefined) => one ?? '')));
  }
  return { ok: true, value };
}

/** Reads {@link goesWithText}. */
export const readGoesWith = (text: string): Read<GoesWith> =>
  readParts(
    text,
    /^([A-Za-z0-9_-]{1,40})\s+(\d{1,2})\s*(?:to|-|–)\s*(\d{1,2})(?:\s+in\s+(\d{1,2})s)?(?:\s+(each|together))?$/i,
    'pack-id 0 to 3 each',
    ([, itemId, least, most, step, per]) => ({
      itemId: itemId!,
      least: Number(least),
      most: Number(most),
      step: step === '' ? 1 : Number(step),
      per: per!.toLowerCase() === 'together' ? 'together' : 'each',
    }),
  );

/** Reads {@link needsText}. */
export const readNeeds = (text: string): Read<Need> =>
  readParts(
    text,
    /^([A-Za-z0-9_-]{1,40})\s+(\d{1,3})(?:\s+for\s+(\d{1,3}))?$/i,
    'busbar-id 1 for 6',
    ([, itemId, quantity, forEach]) => ({
      itemId: itemId!,
      quantity: Number(quantity),
      forEach: forEach === '' ? null : Number(forEach),
    }),
  );

/** Reads {@link sourcesText}. */
export const readSources = (text: string): Read<Item['sources'][number]> =>
  readParts(
    text,
    /^([A-Za-z0-9_-]{1,40})\s*:\s*(.{1,200})$/,
    'massKg: data sheet of 2026',
    ([, field, source]) => ({
      field: field!,
      source: source!,
    }),
  );
