import { legsOf, systemFacts, type LegSet } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/**
 * The nearest leg set that exists in `system`, for when the supply of a job is changed: a load keeps its legs where
 * they exist, a multi-leg load keeps as many legs as there are, and a single-leg load falls back to L1.
 */
export function remapLegs(system: SupplySystem, legs: LegSet): LegSet {
  const { legSets } = systemFacts[system];
  if (legSets.includes(legs)) return legs;
  if (legsOf(legs).length === 1) return 'L1';
  return legSets.includes('L1-L2') ? 'L1-L2' : 'L1';
}
