import { type PlaceWord, placeWord, placeWords } from '../base/index.js';
import type { PlaceLocale } from './place-locale.js';

/** Terms of NFPA 70 (NEC) article 100 and of IEC 60050-195 and BS 7671 part 2; recalled. */
const words: Readonly<Record<PlaceLocale, Readonly<Record<PlaceWord, string>>>> = {
  'en-US': {
    earth: 'ground',
    earths: 'grounds',
    'earth-conductors': 'equipment grounding conductors',
    'earth-electrode': 'grounding electrode',
    'main-earth-conductor': 'grounding electrode conductor',
  },
  'en-GB': {
    earth: 'earth',
    earths: 'earths',
    'earth-conductors': 'protective conductors',
    'earth-electrode': 'earth electrode',
    'main-earth-conductor': 'earthing conductor',
  },
};

/**
 * A text in the words of a place.
 *
 * @param text with marks of {@link placeWord}, or without
 * @example inWordsOf('en-US', 'Neutral and {earth}') // 'Neutral and ground'
 */
export const inWordsOf = (locale: PlaceLocale, text: string): string =>
  placeWords.reduce((now, word) => now.replaceAll(placeWord(word), words[locale][word]), text);
