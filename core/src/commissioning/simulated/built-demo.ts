import { demoPlans } from '../../design/index.js';
import { builtHouse } from './built-house.js';
import { type BuiltBy, builtRecord, type BuiltRecord } from './built-record.js';

/** Decides in what the house that was built differs from its design. */
const seed = 20;

/** The first house of the demo as it was built and put into service; nothing of it is real. */
export function builtDemo(by: BuiltBy): BuiltRecord {
  const { design, islandId, hardware, simulate } = builtHouse(demoPlans[0]!.plan);
  return builtRecord(design, islandId, hardware, (from, charge) => simulate(seed, from, charge), by);
}
