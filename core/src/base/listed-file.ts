import * as z from 'zod';

/** An open file that holds a list of things of one kind. */
export interface ListedFile<Thing> {
  /** What stands in its field "format"; files end in `.<format>.json`. */
  readonly format: string;
  /** The field the list stands in. */
  readonly list: string;
  /** One of them, as people call it. */
  readonly one: string;
  readonly most: number;
  readonly schema: z.ZodType<Thing>;
}

/** What such a file holds: everything that can be read, and what is wrong with the rest. */
export interface ReadListed<Thing> {
  readonly things: readonly Thing[];
  readonly problems: readonly string[];
}

export const listedFile = (
  { format, list }: Pick<ListedFile<unknown>, 'format' | 'list'>,
  things: readonly unknown[],
): string => `${JSON.stringify({ format, version: 1, [list]: things }, null, 2)}\n`;

/** Reads such a file; what is at fault is named and left out, the rest is kept. */
export function readListedFile<Thing>(
  { format, list: key, one, most, schema }: ListedFile<Thing>,
  text: string,
): ReadListed<Thing> {
  const refused = (problem: string): ReadListed<Thing> => ({ things: [], problems: [problem] });
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refused(`This is not JSON: choose a file that ends in .${format}.json.`);
  }
  const head = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(data);
  if (!head.success || head.data.format !== format)
    return refused(`This is no file of ${key}: "format" is not "${format}".`);
  if (head.data.version !== 1)
    return refused(`This file has version ${String(head.data.version)}; this program reads version 1.`);
  const list = head.data[key];
  if (!Array.isArray(list) || list.length === 0) return refused(`The file holds no ${one}.`);
  const things: Thing[] = [];
  const problems: string[] = [];
  const capital = one.charAt(0).toUpperCase() + one.slice(1);
  list.forEach((entry: unknown, index) => {
    const read = schema.safeParse(entry);
    if (read.success) {
      if (things.length < most) things.push(read.data);
      else problems.push(`${capital} ${index + 1} is left out: a job holds at most ${most}.`);
      return;
    }
    const [issue] = read.error.issues;
    const name = z.object({ name: z.string() }).safeParse(entry);
    const which = name.success ? `“${name.data.name.slice(0, 60)}”` : `${capital} ${index + 1}`;
    problems.push(`${which} is left out: ${issue!.path.join(' › ') || `the ${one}`}: ${issue!.message}.`);
  });
  return { things, problems };
}
