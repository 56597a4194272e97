import { demoPlans, type Plan, setSoftStarter } from '../../design/index.js';
import { builtHouse } from './built-house.js';
import { type BuiltBy, builtRecord, type BuiltRecord } from './built-record.js';

/** Decides in what the house that was built differs from its design. */
export const builtSeed = 20;
const wellPump = 'well-pump-large';

/** The first house of the demo as it was built, with a soft starter to its well pump; nothing of it is real. */
export const builtPlan = (): Plan => setSoftStarter(demoPlans[0]!.plan, wellPump, true);

/** That house, put into service. */
export function builtDemo(by: BuiltBy): BuiltRecord & { readonly plan: Plan } {
  const plan = builtPlan();
  const { design, islandId, hardware, simulate } = builtHouse(plan);
  return {
    plan,
    ...builtRecord(design, islandId, hardware, (from, charge) => simulate(builtSeed, from, charge), by),
  };
}
