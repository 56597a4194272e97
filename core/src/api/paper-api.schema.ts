import * as z from 'zod';

const line = (longest: number) => z.string().max(longest);

/** A list as a sheet of paper: its columns, its rows, and what stands below it. */
export const listPaperSchema = z.strictObject({
  title: line(160),
  head: z.array(line(60)).min(1).max(8),
  rows: z.array(z.array(line(600)).max(8)).max(400, 'Print at most 400 rows'),
  note: line(600),
});
export type ListPaper = z.infer<typeof listPaperSchema>;
