import { legsOf, systemFacts, type LegSet } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/**
 * Nominal voltage in V across a load that sits on `legs`: line to neutral on one leg, line to line on more.
 *
 * @example supplyVoltageV('two-legs-120-208', 'L1-L2') // 208
 */
export function supplyVoltageV(system: SupplySystem, legs: LegSet): number {
  const facts = systemFacts[system];
  return legsOf(legs).length === 1 ? facts.legVoltageV : facts.lineVoltageV;
}
