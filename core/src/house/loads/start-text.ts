import { parseQuantity, plainQuantityText } from '../../base/index.js';
import { type CodeLetter, codeLetters } from '../../electric/index.js';
import { startSchema, type Start } from './load.schema.js';

const plain = (value: number): string => String(Math.round(value * 1000) / 1000);

/** How a load starts, as one writes it: "×6", "61 A", "G 1.5 hp", "FLC 1 hp ×6", "soft ×1.2", "none". {@link parseStart} reads it. */
export function startText(start: Start): string {
  switch (start.how) {
    case 'none':
      return 'none';
    case 'multiple':
      return `×${plain(start.multiple)}`;
    case 'lockedRotor':
      return plainQuantityText(start.lockedRotorA, 'A');
    case 'codeLetter':
      return `${start.letter} ${plain(start.horsepower)} hp`;
    case 'fullLoad':
      return `FLC ${plain(start.horsepower)} hp ×${plain(start.multiple)}`;
    case 'soft':
      return `soft ×${plain(start.multiple)}`;
  }
}

export type ParsedStart =
  { readonly ok: true; readonly start: Start } | { readonly ok: false; readonly message: string };

const help = 'Write none, ×6, 61 A, G 1.5 hp, FLC 1 hp ×6, or soft ×1.2';
const times = String.raw`[x×*]?\s*([\d.,]+)\s*[x×]?`;
const soft = new RegExp(`^soft\\s*${times}$`, 'i');
const fullLoad = new RegExp(String.raw`^flc\s*([\d.,]+)\s*hp\s*${times}$`, 'i');
const codeLetter = /^([a-z])\s+([\d.,]+)\s*(hp)?$/i;
const amperes = /^([\d.,]+)\s*a$/i;
const multiple = new RegExp(`^${times}$`, 'i');

const toNumber = (text: string): number => {
  const parsed = parseQuantity(text);
  return parsed.ok ? parsed.value : NaN;
};

const shapeOf = (text: string, durationS: number): unknown => {
  if (/^(none|no|–|-|)$/i.test(text)) return { how: 'none' };
  let match = soft.exec(text);
  if (match) return { how: 'soft', multiple: toNumber(match[1]!), durationS };
  match = fullLoad.exec(text);
  if (match) {
    return { how: 'fullLoad', horsepower: toNumber(match[1]!), multiple: toNumber(match[2]!), durationS };
  }
  match = codeLetter.exec(text);
  if (match && codeLetters.includes(match[1]!.toUpperCase() as CodeLetter)) {
    return { how: 'codeLetter', letter: match[1]!.toUpperCase(), horsepower: toNumber(match[2]!), durationS };
  }
  match = amperes.exec(text);
  if (match) return { how: 'lockedRotor', lockedRotorA: toNumber(match[1]!), durationS };
  match = multiple.exec(text);
  if (match) return { how: 'multiple', multiple: toNumber(match[1]!), durationS };
  return null;
};

/**
 * Reads how a load starts from what somebody wrote.
 *
 * @param text as {@link startText} writes it; spaces, case and "x" for "×" do not matter
 * @param present the start so far; its duration is kept
 */
export function parseStart(text: string, present: Start): ParsedStart {
  const durationS = present.how === 'none' ? 0.5 : present.durationS;
  const shape = shapeOf(text.trim(), durationS);
  if (shape === null) return { ok: false, message: help };
  const checked = startSchema.safeParse(shape);
  if (checked.success) return { ok: true, start: checked.data };
  return { ok: false, message: checked.error.issues[0]?.message ?? help };
}
