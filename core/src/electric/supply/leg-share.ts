import { legsOf, systemFacts, type Leg, type LegSet } from './legs.js';
import type { SupplySystem } from './supply.schema.js';

/**
 * Apparent power that one volt-ampere of a load puts on one leg of its source.
 *
 * A load between two legs draws I = S / V_line through both, and each leg delivers V_leg · I, so its share is
 * V_leg / V_line: exactly one half in split phase, 0.577 between two legs of a star system. A load on three
 * phases puts one third on each.
 *
 * @param system supply system
 * @param legs the legs the load sits on
 * @param leg the leg asked about
 * @returns share, 0 to 1
 */
export function legShare(system: SupplySystem, legs: LegSet, leg: Leg): number {
  const on = legsOf(legs);
  if (!on.includes(leg)) return 0;
  if (on.length === 1) return 1;
  if (on.length === 3) return 1 / 3;
  const facts = systemFacts[system];
  return facts.legVoltageV / facts.lineVoltageV;
}
