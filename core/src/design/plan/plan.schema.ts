import * as z from 'zod';
import { supplySchema } from '../../electric/index.js';
import { loadSchema, siteSchema, surveySchema, usageSchema } from '../../house/index.js';
import { backupSchema } from '../backup/backup.schema.js';
import { briefSchema } from '../brief/brief.schema.js';
import { designSchema } from '../equipment/design.schema.js';
import { scenarioSchema } from '../sources/scenario.schema.js';

export const maxLoads = 500;

/** The slices of a plan, each with the schema its subject owns. */
export const planSlices = {
  site: siteSchema,
  brief: briefSchema,
  supply: supplySchema,
  survey: surveySchema,
  usage: usageSchema,
  loads: z.array(loadSchema).max(maxLoads, `A job holds at most ${maxLoads} loads`),
  backup: backupSchema,
  design: designSchema,
  outage: scenarioSchema,
};
