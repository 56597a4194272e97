/** Letters in a line of a sign, at most, unless a word is longer. */
const mostLetters = 28;
/** Width of a capital of a plain face and height of a line, as shares of the height of its letters. */
const letterShare = 0.75;
const lineShare = 1.6;

/** A sign as it is cut: width and height, mm. */
export interface SignSize {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The words of a sign in lines of some 28 letters. */
export const signLines = (text: string): string[] =>
  text.split(' ').reduce<string[]>((all, word) => {
    const last = all.at(-1);
    if (last === undefined || last.length + 1 + word.length > mostLetters) return [...all, word];
    return [...all.slice(0, -1), `${last} ${word}`];
  }, []);

/**
 * The room a sign takes: its words in lines of some 28 letters, with a margin as wide as its letters are high.
 *
 * @param letterMm height of its letters, mm
 * @param stepMm signs are cut to whole steps, mm
 */
export function signSize(text: string, letterMm: number, stepMm: number): SignSize {
  const lines = signLines(text);
  const longest = Math.max(...lines.map((line) => line.length));
  const cut = (mm: number): number => Math.ceil(mm / stepMm - 1e-9) * stepMm;
  return {
    widthMm: cut((longest * letterShare + 2) * letterMm),
    heightMm: cut((lines.length * lineShare + 2) * letterMm),
  };
}
