// Builds the service worker into the page that was built: it stands at the root, under a name that never changes, in one file.
import { buildSync } from 'esbuild';

const at = (path) => new URL(`../web/${path}`, import.meta.url).pathname;

buildSync({
  entryPoints: [decodeURIComponent(at('src/app/field/field.worker.ts'))],
  outfile: decodeURIComponent(at('dist/browser/field.worker.js')),
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  legalComments: 'none',
});
