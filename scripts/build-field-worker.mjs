// Builds the service worker into the page that was built: it stands at the root, under a name that never changes, in one file.
import { readFileSync, writeFileSync } from 'node:fs';
import { buildSync } from 'esbuild';

const at = (path) => decodeURIComponent(new URL(`../web/${path}`, import.meta.url).pathname);

buildSync({
  entryPoints: [at('src/app/field/field.worker.ts')],
  outfile: at('dist/browser/field.worker.js'),
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  legalComments: 'none',
});

// Angular's worker takes the digest of every file it keeps by a program of its own: seconds, in which it answers nothing. The browser
// takes it some fifty times as fast.
const path = at('dist/browser/ngsw-worker.js');
const digest = `async function sha1Binary(buffer) {
    const bytes = new Uint8Array(await crypto.subtle.digest('SHA-1', buffer));
    return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  }`;
const text = readFileSync(path, 'utf8');
if (!text.includes(digest)) {
  const asked = text.replace(/(?<!function )sha1Binary\(/g, 'await sha1Binary(');
  const quick = asked.replace(/function sha1Binary\(buffer\) \{[^}]*\}/, digest);
  if (asked === text || quick === asked)
    throw new Error('Angular’s service worker takes its digests in another way now');
  writeFileSync(path, quick);
}
