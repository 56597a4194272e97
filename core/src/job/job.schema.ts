import * as z from 'zod';
import { backupSchema } from '../backup/backup.schema.js';
import { surveySchema } from '../panel/panel.schema.js';
import { backupProblems } from '../backup/backup-problems.js';
import { surveyProblems } from '../panel/survey-problems.js';
import { usageSchema } from '../usage/usage.schema.js';
import { scenarioSchema } from '../outage/scenario.schema.js';
import { loadSchema } from '../load/load.schema.js';
import { systemFacts } from '../supply/legs.js';
import { supplySchema } from '../supply/supply.schema.js';
import { briefSchema } from './brief.schema.js';
import { designSchema } from './design.schema.js';
import { siteSchema } from './site.schema.js';
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
    for (const { path, message } of surveyProblems(job.survey)) {
      context.addIssue({ code: 'custom', path: ['survey', ...path], message });
    }
    job.usage.bills.forEach((bill, index) => {
      if (bill.toDay <= bill.fromDay) {
        context.addIssue({
          code: 'custom',
          path: ['usage', 'bills', index, 'toDay'],
          message: 'The period ends before it begins; correct one of the days',
        });
      }
    });
    for (const { path, message } of backupProblems(job)) {
      context.addIssue({ code: 'custom', path: ['backup', ...path], message });
    }
    const circuits = new Set(job.survey.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
    const known = new Set<string>();
    const allowed = systemFacts[job.supply.system].legSets;
    job.loads.forEach((load, index) => {
      if (known.has(load.id)) {
        context.addIssue({
          code: 'custom',
          path: ['loads', index, 'id'],
          message: `Two loads share the identifier "${load.id}"; give each its own`,
        });
      }
      known.add(load.id);
      if (load.circuitId !== null && !circuits.has(load.circuitId)) {
        context.addIssue({
          code: 'custom',
          path: ['loads', index, 'circuitId'],
          message: 'No panel has this circuit; use null for a load that is not placed',
        });
      }
      if (!allowed.includes(load.legs)) {
        context.addIssue({
          code: 'custom',
          path: ['loads', index, 'legs'],
          message: `This supply has no ${load.legs}; use ${allowed.join(', ')}`,
        });
      }
    });
  });
export type Job = z.infer<typeof jobSchema>;
