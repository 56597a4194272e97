import bidiModule from 'bidi-js';
import { type Face, hasLetter } from './fonts.js';

/** A piece of a text that one face can set. */
export interface CoveredRun {
  readonly text: string;
  readonly face: Face;
  /** It has a word that may have to be broken anywhere. */
  readonly breaks: boolean;
}

// Its types are those of an ES module; what Node loads is the function itself.
const bidi = (bidiModule as unknown as typeof bidiModule.default)();

/** Marks that turn the direction of what follows: printed by their number, so that no name reads other than it is. */
const turns = /[\u200e\u200f\u202a-\u202e\u2066-\u2069]/;
const rightToLeft = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/;
const rightToLeftWords = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]+/g;
/** Longer words may not fit a column. */
const longestWord = 22;

const codePoint = (sign: string): string =>
  `[U+${sign.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}]`;

/**
 * A text in the order in which its words are set from left to right (Unicode Standard Annex 9). Letters of a word that runs the other way stay as
 * they are spoken: the font turns them.
 */
export function inSetOrder(text: string): string {
  if (!rightToLeft.test(text)) return text;
  const seen = bidi.getReorderedString(text, bidi.getEmbeddingLevels(text, 'ltr'));
  return seen.replaceAll(rightToLeftWords, (word) => Array.from(word).reverse().join(''));
}

/** The face that sets a sign; null = none of ours does. */
function faceOf(sign: string): Face | null {
  const code = sign.codePointAt(0)!;
  if (turns.test(sign)) return null;
  if (hasLetter('Roboto', code)) return 'Roboto';
  return hasLetter('DejaVu', code) ? 'DejaVu' : null;
}

/**
 * A text in runs that the shipped faces can set: no character vanishes. What none of them has stands there by its code point. Narrow spaces are
 * set as no-break ones.
 */
export function coveredRuns(text: string): CoveredRun[] {
  const runs: { text: string; face: Face }[] = [];
  for (const sign of inSetOrder(text.normalize('NFC').replaceAll('\u202f', '\u00a0'))) {
    const last = runs.at(-1);
    // A break of the line belongs to no face, and no space begins a run of its own.
    const face = /\s/.test(sign) && last ? last.face : sign === '\n' ? 'Roboto' : faceOf(sign);
    const shown = face === null ? codePoint(sign) : sign;
    const of = face ?? 'Roboto';
    if (last?.face === of) last.text += shown;
    else runs.push({ text: shown, face: of });
  }
  return runs.map((run) => ({
    ...run,
    breaks: run.text.split(/[\s-]/).some((word) => word.length > longestWord),
  }));
}

/** The one face that sets a whole text, and the text with what it lacks by code point: for drawings, whose texts have one face. */
export function coveredWhole(text: string): { readonly text: string; readonly face: Face } {
  const runs = coveredRuns(text);
  if (runs.every(({ face }) => face === 'Roboto'))
    return { text: runs.map((run) => run.text).join(''), face: 'Roboto' };
  const all = runs.map((run) => run.text).join('');
  return {
    face: 'DejaVu',
    text: Array.from(all, (sign) =>
      hasLetter('DejaVu', sign.codePointAt(0)!) ? sign : codePoint(sign),
    ).join(''),
  };
}
