import { backupStage } from './backup/backup.stage';
import { briefStage } from './brief/brief.stage';
import { commissioningStage } from './commissioning/commissioning.stage';
import { dailyStage } from './daily/daily.stage';
import { loadsStage } from './loads/loads.stage';
import { optionsStage } from './options/options.stage';
import { logbookStage } from './logbook/logbook.stage';
import { outageStage } from './outage/outage.stage';
import { panelsStage } from './panels/panels.stage';
import { papersStage } from './papers/papers.stage';
import { placementStage } from './placement/placement.stage';
import { sourcesStage } from './sources/sources.stage';
import { usageStage } from './usage/usage.stage';
import { wiringStage } from './wiring/wiring.stage';
import type { Stage } from '../shell/stage';

/** The stages that work, in the order of the work. */
export const stages: readonly Stage[] = [
  briefStage,
  usageStage,
  panelsStage,
  loadsStage,
  backupStage,
  sourcesStage,
  outageStage,
  optionsStage,
  dailyStage,
  wiringStage,
  placementStage,
  papersStage,
  commissioningStage,
  logbookStage,
];
