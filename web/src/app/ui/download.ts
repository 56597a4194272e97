/** A name as the beginning of the name of a file. */
export const fileStem = (name: string): string => name.replace(/[^\p{L}\p{N}]+/gu, '-');

/** Hands bytes to the user as a file. */
export function downloadBlob(bytes: Blob, name: string): void {
  const url = URL.createObjectURL(bytes);
  const link = Object.assign(document.createElement('a'), { href: url, download: name });
  link.click();
  URL.revokeObjectURL(url);
}

/** Hands a value to the user as a file. */
export const downloadJson = (value: unknown, name: string): void =>
  downloadBlob(new Blob([`${JSON.stringify(value, null, 2)}\n`], { type: 'application/json' }), name);
