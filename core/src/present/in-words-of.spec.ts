import { describe, expect, it } from 'vitest';
import { fieldFacts, placeWord, placeWords } from '../base/index.js';
import { panelSchema } from '../house/index.js';
import { inWordsOf } from './in-words-of.js';
import { placeLocale } from './place-locale.js';

describe('words of a place', () => {
  it('follow the supply', () => {
    expect(placeLocale('split-120-240')).toBe('en-US');
    expect(placeLocale('single-230')).toBe('en-GB');
  });

  it('leave no mark in a text, and a text without marks as it is', () => {
    const every = placeWords.map(placeWord).join(' ');
    for (const locale of ['en-US', 'en-GB'] as const) {
      expect(inWordsOf(locale, every)).not.toMatch(/[{}]/);
      expect(inWordsOf(locale, 'Neutral {that} stays')).toBe('Neutral {that} stays');
    }
  });

  it('call what a panel bonds ground in America, earth elsewhere', () => {
    const { label } = fieldFacts.get(panelSchema.shape.bonded)!;
    expect(inWordsOf('en-US', label)).toBe('Neutral and ground');
    expect(inWordsOf('en-GB', label)).toBe('Neutral and earth');
  });
});
