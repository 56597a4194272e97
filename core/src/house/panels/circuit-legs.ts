import type { Leg, LegSet, SupplySystem } from '../../electric/index.js';
import type { Circuit, Panel } from './panel.schema.js';
import { spaceLeg } from './space-place.js';

/** The legs a breaker touches, in order, each once. Two poles on one leg give one. */
export function circuitLegs(
  panel: Pick<Panel, 'layout' | 'spaces' | 'topLeg'>,
  circuit: Pick<Circuit, 'spaces'>,
  system: SupplySystem,
): Leg[] {
  return [...new Set(circuit.spaces.map((space) => spaceLeg(panel, space, system)))].toSorted();
}

/** The same as a leg set. */
export function circuitLegSet(
  panel: Pick<Panel, 'layout' | 'spaces' | 'topLeg'>,
  circuit: Pick<Circuit, 'spaces'>,
  system: SupplySystem,
): LegSet {
  return circuitLegs(panel, circuit, system).join('-') as LegSet;
}
