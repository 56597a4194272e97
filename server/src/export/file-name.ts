/** File systems take names of at most 255 bytes; this leaves room for an ending. */
const mostLetters = 80;

/** A text as the name of a file on any system: letters, digits and dashes; never empty. */
export function fileName(text: string): string {
  const plain = text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, mostLetters);
  return plain === '' ? 'unnamed' : plain;
}
