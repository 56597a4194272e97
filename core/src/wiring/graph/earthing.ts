import { type Setting, setting } from '../../base/index.js';
import { isAmerican } from '../../electric/index.js';
import type { Earthing, Plan } from '../../design/index.js';
import { codeValues } from '../../rules/index.js';

/** Who joins neutral and earth of a supply: the house where its legs are those of the Americas, else as the code that holds has it. */
export function earthingOf(plan: Pick<Plan, 'supply' | 'parties' | 'code' | 'wiring'>): Setting<Earthing> {
  const inHouse = isAmerican(plan.supply.system) || codeValues(plan).bonds === 'house';
  return setting(
    plan.wiring.earthing,
    inHouse ? 'house' : 'supplier',
    inHouse ? 'usual where the house joins them at its service' : 'usual where the supplier joins them (TN)',
  );
}
