import * as z from 'zod';
import { backupSchema } from '../backup/backup.schema.js';
import { surveySchema } from '../panel/panel.schema.js';
import { usageSchema } from '../usage/usage.schema.js';
import { scenarioSchema } from '../outage/scenario.schema.js';
import { loadSchema } from '../load/load.schema.js';
import { supplySchema } from '../supply/supply.schema.js';
import { briefSchema } from './brief.schema.js';
import { designSchema } from './design.schema.js';
import { siteSchema } from './site.schema.js';
import { crossProblems } from './cross-problems.js';
import { nameSchema } from './text.schema.js';

export const jobFormat = 'levamen-job';
export const jobVersion = 5;
export const maxLoads = 500;

/** The saved form of a job, version 5: one document, the same in the database and in a `.levamen.json` file. */
export const jobSchema = z
  .strictObject({
    format: z.literal(jobFormat),
    version: z.literal(jobVersion),
    name: nameSchema(120),
    site: siteSchema,
    brief: briefSchema,
    supply: supplySchema,
    survey: surveySchema,
    usage: usageSchema,
    loads: z.array(loadSchema).max(maxLoads, `A job holds at most ${maxLoads} loads`),
    backup: backupSchema,
    design: designSchema,
    outage: scenarioSchema,
  })
  .superRefine((job, context) => {
    for (const { path, message } of crossProblems(job)) {
      context.addIssue({ code: 'custom', path: [...path], message });
    }
  });
export type Job = z.infer<typeof jobSchema>;
