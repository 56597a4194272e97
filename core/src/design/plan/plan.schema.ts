import * as z from 'zod';
import { supplySchema } from '../../electric/index.js';
import {
  commissioningSchema,
  courseSchema,
  logbookSchema,
  loadSchema,
  lotSchema,
  maxPhotos,
  partiesSchema,
  photoSchema,
  siteSchema,
  surveySchema,
  usageSchema,
} from '../../house/index.js';
import { tariffSchema, maxTariffs } from '../../tariff/index.js';
import { stackPartSchema } from '../../equipment/index.js';
import { codeSchema } from '../../rules/index.js';
import { dailyUseSchema } from '../daily/daily-use.schema.js';
import { financeSchema } from '../daily/finance.schema.js';
import { backupSchema } from '../backup/backup.schema.js';
import { briefSchema } from '../brief/brief.schema.js';
import { maxOpenPoints, openPointSchema } from '../brief/open-point.schema.js';
import { equipmentUseSchema } from '../equipment/equipment-list.schema.js';
import { equipmentSchema } from '../equipment/equipment.schema.js';
import { placementSchema } from '../placement/placement.schema.js';
import { scenarioSchema } from '../sources/scenario.schema.js';
import { sourcesSchema } from '../sources/sources.schema.js';
import { wiringSchema } from '../wiring/wiring.schema.js';

export const maxLoads = 500;

/** What is there and what is asked for, whatever is designed: each slice with the schema its subject owns. */
export const houseSlices = {
  site: siteSchema,
  parties: partiesSchema,
  brief: briefSchema,
  supply: supplySchema,
  survey: surveySchema,
  lot: lotSchema,
  usage: usageSchema,
  loads: z.array(loadSchema).max(maxLoads, `A job holds at most ${maxLoads} loads`),
  photos: z.array(photoSchema).max(maxPhotos, `A job holds at most ${maxPhotos} photos`),
  outage: scenarioSchema,
  tariffs: z.array(tariffSchema).max(maxTariffs, `A job holds at most ${maxTariffs} tariffs`),
  finance: financeSchema,
  /** Units the house has already, whatever is designed. */
  existingUnits: z.array(stackPartSchema).max(20, 'Use at most 20 kinds of units'),
  equipmentList: equipmentUseSchema,
  /** The rules the house is judged by. */
  code: codeSchema,
  course: courseSchema,
  /** What was found when the chosen design was put into service. */
  commissioning: commissioningSchema,
  /** Its life after it was handed over. */
  logbook: logbookSchema,
  openPoints: z.array(openPointSchema).max(maxOpenPoints, `A job holds at most ${maxOpenPoints} open points`),
};

/** What one design chooses. */
export const designSlices = {
  backup: backupSchema,
  sources: sourcesSchema,
  equipment: equipmentSchema,
  dailyUse: dailyUseSchema,
  wiring: wiringSchema,
  placement: placementSchema,
};
