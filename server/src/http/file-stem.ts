/** A file name from a name people chose: letters and digits of any script, the rest as hyphens. */
export const fileStem = (name: string): string =>
  name
    .normalize('NFKC')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'job';
