import type { StackPart } from '../../equipment/index.js';
import type { Commissioning, Course, House, Logbook, Photo } from '../../house/index.js';
import type { Code } from '../../rules/index.js';
import type { Tariff } from '../../tariff/index.js';
import type { DailyUse } from '../daily/daily-use.schema.js';
import type { Finance } from '../daily/finance.schema.js';
import type { BackedUpHouse } from '../backup/backed-up-house.js';
import type { Brief } from '../brief/brief.schema.js';
import type { OpenPoint } from '../brief/open-point.schema.js';
import type { EquipmentUse } from '../equipment/equipment-list.schema.js';
import type { Placement } from '../placement/placement.schema.js';
import type { Scenario } from '../sources/scenario.schema.js';
import type { Sources } from '../sources/sources.schema.js';
import type { Wiring } from '../wiring/wiring.schema.js';

/** A house with one design over it: everything a study may ask for. */
export interface Plan extends House, BackedUpHouse {
  brief: Brief;
  outage: Scenario;
  tariffs: Tariff[];
  finance: Finance;
  existingUnits: StackPart[];
  dailyUse: DailyUse;
  course: Course;
  commissioning: Commissioning;
  logbook: Logbook;
  openPoints: OpenPoint[];
  photos: Photo[];
  equipmentList: EquipmentUse;
  code: Code;
  sources: Sources;
  wiring: Wiring;
  placement: Placement;
}
