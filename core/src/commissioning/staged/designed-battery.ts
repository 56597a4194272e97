import { asNew, type Island, islandPlan, type Plan } from '../../design/index.js';
import type { Stack } from '../../equipment/index.js';
import { demandContextOf } from '../../study/index.js';
import { hardwareOf, type OutageHardware } from '../../study/details.js';

/** What the design says of an island's battery and inverter on the day they are put into service: nothing has aged yet, nothing is measured. */
export const designedBattery = (plan: Plan, island: Island, stack: Stack): OutageHardware =>
  hardwareOf(demandContextOf(islandPlan(asNew(plan), island)), stack.measured?.bySheets ?? stack);
