import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Which build of the page is served: the name of its first script, whose hash changes with anything in it.
 *
 * @param webRoot folder of the built page
 * @returns '' where there is no page
 */
export function builtPage(webRoot: string | undefined): string {
  const index = webRoot === undefined ? '' : join(webRoot, 'index.html');
  if (index === '' || !existsSync(index)) return '';
  return /src="(main-[\w-]+\.js)"/.exec(readFileSync(index, 'utf8'))?.[1] ?? '';
}
