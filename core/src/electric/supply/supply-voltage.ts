import { legsOf, systemFacts, type LegSet } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/** Nominal voltage in V across a load that sits on `legs`: line to neutral on one leg, line to line on more. */
export function supplyVoltageV(system: SupplySystem, legs: LegSet): number {
  const facts = systemFacts[system];
  return legsOf(legs).length === 1 ? facts.legVoltageV : facts.lineVoltageV;
}
