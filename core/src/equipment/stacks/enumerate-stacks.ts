import type { Catalogue } from '../catalogue/unit.schema.js';
import type { StackPart } from './stack-part.schema.js';
import { type SupplySystem, systemFacts } from '../../electric/index.js';
import { acceptedCount } from './accepted-count.js';
import { assembleStack } from './assemble-stack.js';
import type { Stack } from './stack.js';

/** Smaller is less energy, then less power, then fewer units. */
const bySize = (a: Stack, b: Stack): number =>
  a.nameplateWh - b.nameplateWh || a.continuousVA - b.continuousVA || a.unitCount - b.unitCount;

/**
 * Every stack the catalogue gives for a supply, smallest first: each inverter in every allowed number, with each kind of
 * battery it accepts in every allowed number.
 */
export function enumerateStacks(catalogue: Catalogue, system: SupplySystem): Stack[] {
  const stacks: Stack[] = [];
  const consider = (parts: readonly StackPart[]): void => {
    const assembled = assembleStack(parts, catalogue, system);
    if (assembled.ok) stacks.push(assembled.stack);
  };
  const offered = catalogue.filter(({ retired }) => !retired);
  const holdsEnergy = new Set(offered.filter(({ battery }) => battery !== null).map(({ id }) => id));
  for (const { id, inverter, battery } of offered) {
    if (!inverter?.systems.includes(system)) continue;
    const onePerLeg = inverter.output === 'one' ? systemFacts[system].legs.length : 1;
    for (let parallel = 1; parallel <= inverter.maxParallel; parallel += 1) {
      const quantity = parallel * onePerLeg;
      const alone = { unitId: id, quantity };
      if (battery) consider([alone]);
      for (const accepted of inverter.accepts) {
        if (!holdsEnergy.has(accepted.unitId)) continue;
        const { least, most, step } = acceptedCount(accepted, quantity);
        for (let count = Math.max(step, least); count <= most; count += step)
          consider([alone, { unitId: accepted.unitId, quantity: count }]);
      }
    }
  }
  return stacks.sort(bySize);
}
