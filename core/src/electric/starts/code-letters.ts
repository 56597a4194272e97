export const codeLetters = [
  'A',
  'B',
  'C',
  'D',
  'E',
  'F',
  'G',
  'H',
  'J',
  'K',
  'L',
  'M',
  'N',
  'P',
  'R',
  'S',
  'T',
  'U',
  'V',
] as const;
export type CodeLetter = (typeof codeLetters)[number];

/**
 * Upper end of each band in locked-rotor kVA per horsepower.
 * NEC Table 430.7(B), recalled; verify against the adopted edition. Letter V has no upper end: the value is its lower one.
 */
export const codeLetterKVAPerHp: Readonly<Record<CodeLetter, number>> = {
  A: 3.15,
  B: 3.55,
  C: 4.0,
  D: 4.5,
  E: 5.0,
  F: 5.6,
  G: 6.3,
  H: 7.1,
  J: 8.0,
  K: 9.0,
  L: 10.0,
  M: 11.2,
  N: 12.5,
  P: 14.0,
  R: 16.0,
  S: 18.0,
  T: 20.0,
  U: 22.4,
  V: 22.4,
};
