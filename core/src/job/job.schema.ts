import * as z from 'zod';
import { nameSchema } from '../base/index.js';
import { planProblems, planSlices } from '../design/index.js';

export const jobFormat = 'levamen-job';
export const jobVersion = 5;

/** The saved form of a job, version 5: one document, the same in the database and in a `.levamen.json` file. */
export const jobSchema = z
  .strictObject({
    format: z.literal(jobFormat),
    version: z.literal(jobVersion),
    name: nameSchema(120),
    ...planSlices,
  })
  .superRefine((job, context) => {
    for (const { path, message } of planProblems(job)) {
      context.addIssue({ code: 'custom', path: [...path], message });
    }
  });
export type Job = z.infer<typeof jobSchema>;
