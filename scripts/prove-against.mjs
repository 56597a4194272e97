// Times of this program and of an earlier one, in turns in one run, for docs/proofs.md.
//   node scripts/prove-against.mjs FOLDER_BEFORE COMMIT URL URL_BEFORE FILE
import { writeFileSync } from 'node:fs';
import { coreAgainst } from './bench-against.mjs';
import { named } from './earlier-program.mjs';
import { serversAgainst } from './servers-against.mjs';

const [, , folder, commit, url, urlBefore, file] = process.argv;
const facts = {
  against: named(commit),
  core: coreAgainst(folder),
  servers: await serversAgainst(url, urlBefore),
};
for (const { what, now, before } of [...facts.core, ...facts.servers])
  console.log(`${what}: ${now.toFixed(1)} ms, before ${before?.toFixed(1)} ms`);
writeFileSync(file, JSON.stringify(facts));
