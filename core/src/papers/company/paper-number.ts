/**
 * The number a paper is issued under.
 *
 * @param scheme of the company, with {year} and {number}
 * @param running counted over all papers of the company, from 1
 * @example paperNumber('L-{year}/{number}', 2026, 17) // 'L-2026/0017'
 */
export const paperNumber = (scheme: string, year: number, running: number): string =>
  scheme.replaceAll('{year}', String(year)).replaceAll('{number}', String(running).padStart(4, '0'));

/**
 * The letter of a revision of a paper.
 *
 * @param index 0 for the first one
 * @example revisionLetter(26) // 'AA'
 */
export function revisionLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : `${revisionLetter(Math.floor(index / 26) - 1)}${last}`;
}

/**
 * The letter after one.
 *
 * @example nextLetter('Z') // 'AA'
 */
export const nextLetter = (letter: string): string =>
  revisionLetter(Array.from(letter).reduce((sum, one) => sum * 26 + one.charCodeAt(0) - 64, 0));
