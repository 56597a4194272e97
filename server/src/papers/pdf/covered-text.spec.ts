import { describe, expect, it } from 'vitest';
import { coveredRuns, coveredWhole, inSetOrder } from './covered-text.js';
import { hasLetter } from './fonts.js';

const set = (text: string): string =>
  coveredRuns(text)
    .map((run) => run.text)
    .join('');

describe('text on paper', () => {
  it('is set by a face that has each letter, whatever the script', () => {
    for (const text of ['Résumé ½ Ω ≤ 25 mm²', 'Łódź', 'Жизнь', '⅓ hp → ☑', 'בית', 'منزل', '1.5\u202fkW'])
      for (const { text: run, face } of coveredRuns(text))
        for (const sign of run)
          expect(/\s/.test(sign) || hasLetter(face, sign.codePointAt(0)!), sign).toBe(true);
  });
  it('stands there by its code point where no face has it: nothing vanishes', () => {
    expect(set('Pump 🏡')).toBe('Pump [U+1F3E1]');
    expect(set('水')).toBe('[U+6C34]');
  });
  it('does not turn what follows: marks of direction are printed', () => {
    expect(set('abc\u202efdp.exe')).toBe('abc[U+202E]fdp.exe');
  });
  // Unicode Standard Annex 9: words of a right-to-left run follow each other from the right, a number after them stands at its left end.
  it('puts words of right-to-left scripts in the order they are set', () => {
    expect(inSetOrder('Panel בית קטן 2')).toBe('Panel 2 קטן בית');
    expect(inSetOrder('plain')).toBe('plain');
  });
  it('may be broken anywhere where a word is longer than a column', () => {
    expect(coveredRuns('x'.repeat(120))[0]!.breaks).toBe(true);
    expect(coveredRuns('Backed-up loads panel')[0]!.breaks).toBe(false);
  });
  it('of a drawing has one face for all of it', () => {
    expect(coveredWhole('Pump ⅓ hp')).toEqual({ text: 'Pump ⅓ hp', face: 'DejaVu' });
    expect(coveredWhole('Pump')).toEqual({ text: 'Pump', face: 'Roboto' });
  });
});
