import { demoPlans, type Plan, setSoftStarter } from '../../design/index.js';
import { builtHouse } from './built-house.js';
import { type BuiltBy, builtRecord, type BuiltRecord } from './built-record.js';

/** Decides in what the house that was built differs from its design. */
const seed = 20;
const wellPump = 'well-pump-large';

/** The first house of the demo as it was built, with a soft starter to its well pump, and put into service; nothing of it is real. */
export function builtDemo(by: BuiltBy): BuiltRecord & { readonly plan: Plan } {
  const plan = setSoftStarter(demoPlans[0]!.plan, wellPump, true);
  const { design, islandId, hardware, simulate } = builtHouse(plan);
  return {
    plan,
    ...builtRecord(design, islandId, hardware, (from, charge) => simulate(seed, from, charge), by),
  };
}
