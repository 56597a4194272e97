/** Things that are called differently from place to place; what each is called stands in `present`. */
export const placeWords = [
  'earth',
  'earths',
  'earth-conductors',
  'earth-electrode',
  'main-earth-conductor',
] as const;
export type PlaceWord = (typeof placeWords)[number];

/** Marks a word in a text, to be resolved where the text is shown. */
export const placeWord = (word: PlaceWord): string => `{${word}}`;
