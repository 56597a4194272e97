import { mkdir, readdir } from 'node:fs/promises';
import { makeDataSource } from '../store/data-source.js';
import { fence } from '../workspaces/fence.js';
import { JobExport } from './export-jobs.js';

/** Writes everything a database keeps as open files into a new folder: node server/dist/export/main.js FOLDER */
const [, , folder = ''] = process.argv;
const give = (code: number, words: string): never => {
  process.stderr.write(`${words}\n`);
  process.exit(code);
};

try {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  if ((await readdir(folder)).length > 0)
    give(1, `${folder} is not empty. Name a new folder; nothing in it is overwritten.`);
  const source = makeDataSource(process.env['LEVAMEN_DATABASE_URL'] ?? '');
  await source.initialize();
  fence(source);
  const { jobs, raw, files, problems } = await new JobExport(source, folder).all();
  await source.destroy();
  for (const problem of problems) process.stderr.write(`  ${problem}\n`);
  const asKept = raw === 0 ? '' : `, ${raw} of them as they are kept, since they do not validate`;
  process.stdout.write(`Written: ${jobs} jobs${asKept}, ${files} files, in ${folder}\n`);
  if (problems.length > 0) give(1, `${problems.length} things could not be written: see above.`);
} catch (error) {
  give(1, `The jobs were not written: ${error instanceof Error ? error.message : String(error)}`);
}
