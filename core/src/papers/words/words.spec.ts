import { describe, expect, it } from 'vitest';
import { languages } from '../document/paper-request.schema.js';
import { cardWords } from './card-words.js';
import { fillWords } from './fill-words.js';
import { frameWords } from './frame-words.js';
import { inLanguage } from './in-language.js';
import { proposalWords } from './proposal-words.js';

const flat = (words: object, before = ''): [string, string][] =>
  Object.entries(words).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' ? [[before + key, value]] : flat(value as object, `${before}${key}.`),
  );
const tokens = (text: string): string[] =>
  [...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!).toSorted();

describe.each([
  ['card', cardWords],
  ['proposal', proposalWords],
  ['frame', frameWords],
] as const)('words of the %s', (_, words) => {
  it('say the same with the same values in every language', () => {
    const english = new Map(flat(words.en));
    for (const language of languages) {
      const own = flat(words[language]);
      expect(own.map(([key]) => key).toSorted()).toEqual([...english.keys()].toSorted());
      for (const [key, text] of own) {
        expect(tokens(text), `${language} ${key}`).toEqual(tokens(english.get(key)!));
        expect(text.trim(), `${language} ${key}`).not.toBe('');
      }
    }
  });
});

describe('values in sentences', () => {
  it('are all there, or it is said', () => {
    expect(fillWords('{a} of {b}', { a: 1, b: 'two' })).toBe('1 of two');
    expect(() => fillWords('{a}', {})).toThrow('wants {a}');
  });
  it('are written as the language writes them (CLDR, through Intl)', () => {
    const german = inLanguage('de', 'three-230-400', 'metric');
    expect(german.quantity(12_400, 'W').replace('\u202f', ' ')).toBe('12,4 kW');
    expect(german.day('2026-11-28')).toBe('28. November 2026');
    expect(inLanguage('es', 'split-120-240', 'imperial').quantity(12_400, 'W').replace('\u202f', ' ')).toBe(
      '12.4 kW',
    );
    expect(inLanguage('en', 'split-120-240', 'imperial').list(['a', 'b', 'c'])).toBe('a, b, and c');
  });
  it('that hold a comma are kept apart', () => {
    expect(inLanguage('en', 'split-120-240', 'imperial').list(['Pump, 1½ hp', 'Range'])).toBe(
      'Pump, 1½ hp; Range',
    );
  });
});
