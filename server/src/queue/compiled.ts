import { fileURLToPath } from 'node:url';

/**
 * Where a file lies as it was compiled: processes are loaded by Node itself, while tests run the source.
 *
 * @param file beside the module that asks, ending in .js
 * @param of the `import.meta.url` of that module
 */
export const compiled = (file: string, of: string): string =>
  fileURLToPath(new URL(file, of.endsWith('.ts') ? of.replace('/server/src/', '/server/dist/') : of));
