import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

function digestOf(folder: string): string {
  const hash = createHash('sha256');
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) =>
    name.endsWith('.js'),
  );
  for (const name of files.toSorted())
    hash
      .update(name)
      .update('\0')
      .update(readFileSync(join(folder, name)));
  return hash.digest('hex').slice(0, 16);
}

// Read with the program itself: later another one may lie there, that was built while this one runs.
const read = digestOf(dirname(dirname(createRequire(import.meta.url).resolve('@levamen/core/job'))));

/**
 * What tells one version of the program that reads jobs from another: a digest of everything the core consists of. What was read by the same one need
 * not be checked again.
 *
 * @returns 16 hexadecimal digits
 */
export const thisProgram = (): string => read;
