import { addSurvey } from './migrations/1-survey.js';
import { addBackup } from './migrations/2-backup.js';
import { addOutage } from './migrations/3-outage.js';
import { completeOutage } from './migrations/4-complete-outage.js';
import { toDesigns } from './migrations/5-designs.js';
import { toInstantsAndRatings } from './migrations/6-instants-and-ratings.js';
import { toOutageDays } from './migrations/7-outage-days.js';
import { toGeneratorConnection } from './migrations/8-generator-connection.js';
import { toFirstHour } from './migrations/9-first-hour.js';
import { toCompanyEquipment } from './migrations/11-company-equipment.js';
import { toTariffs } from './migrations/12-tariffs.js';
import { toWiring } from './migrations/13-wiring.js';
import { toBusbarsAndPlaces } from './migrations/15-busbars-and-places.js';
import { toCommissioning } from './migrations/17-commissioning.js';
import { toSeenAtSteps } from './migrations/18-seen-at-steps.js';
import { toStagedOutages } from './migrations/19-staged-outages.js';
import { toMeasuredStacks } from './migrations/20-measured-stacks.js';
import { toLogbook } from './migrations/21-logbook.js';
import { toCourse } from './migrations/16-course.js';
import { toPlacement } from './migrations/14-placement.js';
import { toPhotos } from './migrations/10-photos.js';
import type { Saved } from './migrations/saved.js';

/**
 * migrations[n] turns the saved form of version n into that of version n + 1. Version 1 is the first. Each is frozen: it knows
 * nothing of what the program is today.
 */
const migrations: Readonly<Record<number, (saved: Saved) => Saved>> = {
  1: addSurvey,
  2: addBackup,
  3: addOutage,
  4: completeOutage,
  5: toDesigns,
  6: toInstantsAndRatings,
  7: toOutageDays,
  8: toGeneratorConnection,
  9: toFirstHour,
  10: toPhotos,
  11: toCompanyEquipment,
  12: toTariffs,
  13: toWiring,
  14: toPlacement,
  15: toBusbarsAndPlaces,
  16: toCourse,
  17: toCommissioning,
  18: toSeenAtSteps,
  19: toStagedOutages,
  20: toMeasuredStacks,
  21: toLogbook,
};

/**
 * Brings a saved job up to the present version, one step at a time.
 *
 * @param saved the document as it was saved
 * @param version the version it was saved with
 */
export function migrateJob(saved: Saved, version: number): Saved {
  let migrated = saved;
  for (let from = version; migrations[from]; from += 1) migrated = migrations[from]!(migrated);
  return migrated;
}
