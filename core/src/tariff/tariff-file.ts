import * as z from 'zod';
import { listedFile, readListedFile } from '../base/index.js';
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

const kind = { format: tariffFormat, list: 'tariffs', one: 'tariff', most: maxTariffs, schema: tariffSchema };

export const tariffFile = (tariffs: readonly Tariff[]): string => listedFile(kind, tariffs);

/** Reads a tariff file; a tariff at fault is named and left out, the others are kept. */
export function readTariffFile(text: string): ReadTariffs {
  const { things, problems } = readListedFile(kind, text);
  return { tariffs: things, problems };
}
