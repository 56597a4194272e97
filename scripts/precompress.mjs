// Compresses the built page once, as hard as Brotli can, so that the server need not do it at every request.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants } from 'node:zlib';

const folder = new URL('../web/dist/browser/', import.meta.url);
for (const name of readdirSync(folder, { recursive: true })) {
  if (!/\.(js|css|svg|html)$/.test(name)) continue;
  const content = readFileSync(new URL(name, folder));
  if (content.length < 1000) continue;
  // The highest takes half a minute for the few large ones, and makes them hardly smaller.
  const quality = content.length < 400_000 ? 11 : 9;
  writeFileSync(
    new URL(`${name}.br`, folder),
    brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: quality } }),
  );
}
