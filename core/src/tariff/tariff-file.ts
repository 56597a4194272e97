import * as z from 'zod';
import { maxTariffs, type Tariff, tariffSchema } from './tariff.schema.js';

export const tariffFormat = 'levamen-tariffs';

/** An open file of tariffs. */
export const tariffFileSchema = z.strictObject({
  format: z.literal(tariffFormat),
  version: z.literal(1),
  tariffs: z
    .array(tariffSchema)
    .min(1, 'The file holds no tariff')
    .max(maxTariffs, `A file holds at most ${maxTariffs} tariffs`),
});

/** What a tariff file holds: every tariff that can be read, and what is wrong with the others. */
export interface ReadTariffs {
  readonly tariffs: readonly Tariff[];
  readonly problems: readonly string[];
}

export const tariffFile = (tariffs: readonly Tariff[]): string =>
  `${JSON.stringify({ format: tariffFormat, version: 1, tariffs }, null, 2)}\n`;

/** Reads a tariff file; a tariff at fault is named and left out, the others are kept. */
export function readTariffFile(text: string): ReadTariffs {
  const refused = (problem: string): ReadTariffs => ({ tariffs: [], problems: [problem] });
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refused('This is not JSON: choose a file that ends in .levamen-tariffs.json.');
  }
  const head = z
    .looseObject({ format: z.unknown(), version: z.unknown(), tariffs: z.unknown() })
    .safeParse(data);
  if (!head.success || head.data.format !== tariffFormat)
    return refused(`This is no file of tariffs: "format" is not "${tariffFormat}".`);
  if (head.data.version !== 1)
    return refused(`This file has version ${String(head.data.version)}; this program reads version 1.`);
  const list = head.data.tariffs;
  if (!Array.isArray(list) || list.length === 0) return refused('The file holds no tariff.');
  const tariffs: Tariff[] = [];
  const problems: string[] = [];
  list.forEach((one: unknown, index) => {
    const read = tariffSchema.safeParse(one);
    if (read.success) {
      if (tariffs.length < maxTariffs) tariffs.push(read.data);
      else problems.push(`Tariff ${index + 1} is left out: a job holds at most ${maxTariffs}.`);
      return;
    }
    const [issue] = read.error.issues;
    const name = z.object({ name: z.string() }).safeParse(one);
    const which = name.success ? `“${name.data.name.slice(0, 60)}”` : `Tariff ${index + 1}`;
    problems.push(`${which} is left out: ${issue!.path.join(' › ') || 'the tariff'}: ${issue!.message}.`);
  });
  return { tariffs, problems };
}
