import { chosenFor, islandsOf, itemsFor, nothingOffered } from '@levamen/core/design';
import { catalogueOf } from '@levamen/core/equipment';
import { systemFacts } from '@levamen/core/electric';
import { type Job, planOf } from '@levamen/core/job';
import { type SimulatedHouse, simulateDesign } from '@levamen/core/simulator';
import type { HousePlates } from './house-registers.js';

/** Midday of a day in early summer, and a battery that is not quite full: something is to be seen of everything. */
const usual = { fromMinute: 158 * 1440 + 11 * 60, charge: 0.9 };

/**
 * The house of a job's chosen design, its first island, as if it were built.
 *
 * @param seed decides in what it differs from the design
 * @throws Error in words where the job has no design that could be built
 */
export function houseOfJob(
  job: Job,
  seed: number,
): { readonly house: SimulatedHouse; readonly plates: HousePlates } {
  const plan = planOf(job, job.chosenDesignId);
  const [island] = islandsOf(plan);
  const parts = island && chosenFor(plan, island);
  if (!island || !parts) throw new Error(`"${job.name}" has no equipment chosen: choose it in Sources first`);
  const catalogue = catalogueOf(itemsFor(plan.equipmentList, nothingOffered));
  const house = simulateDesign({ plan, islandId: island.id, parts, weather: null }, catalogue, {
    seed,
    ...usual,
  });
  if (!house)
    throw new Error(`"${job.name}" cannot be played: nothing is backed up, or its units do not go together`);
  return {
    house,
    plates: {
      legs: systemFacts[plan.supply.system].legs.length as HousePlates['legs'],
      inverterName: house.stack.inverter.name,
      batteriesWh: house.stack.batteries.flatMap(({ unit, quantity }) =>
        Array.from({ length: quantity }, () => unit.battery!.nameplateWh),
      ),
    },
  };
}
