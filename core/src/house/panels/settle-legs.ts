import type { SurveyedHouse } from './surveyed-house.js';
import type { Load } from '../loads/load.schema.js';
import { type LegSet, legsOf, type SupplySystem, systemFacts } from '../../electric/index.js';
import { circuitLegs, circuitLegSet } from './circuit-legs.js';
import { circuitsById, type PlacedCircuit } from './find-circuit.js';

/**
 * The legs of a load on a circuit: those of a one-pole circuit are its legs; on a circuit of more poles it keeps legs that
 * the circuit has (a 120 V load on a shared circuit), and otherwise sits on all of them. A load that needs more legs than
 * the circuit has keeps them; a finding says so.
 */
export function legsOnCircuit(load: Pick<Load, 'legs'>, placed: PlacedCircuit, system: SupplySystem): LegSet {
  const set = circuitLegSet(placed.panel, placed.circuit, system);
  const has = legsOf(set);
  const wants = legsOf(load.legs);
  return wants.length > has.length || wants.every((leg) => has.includes(leg)) ? load.legs : set;
}

/** The job with every load on the legs of its circuit; a load whose circuit is gone is not placed any more. */
export function settleLegs<H extends SurveyedHouse>(house: H): H {
  const circuits = circuitsById(house.survey);
  let changed = false;
  const loads = house.loads.map((load): Load => {
    if (load.circuitId === null) return load;
    const placed = circuits.get(load.circuitId);
    const legs = placed ? legsOnCircuit(load, placed, house.supply.system) : load.legs;
    if (placed && legs === load.legs && !load.legsAssumed) return load;
    changed = true;
    return placed ? { ...load, legs, legsAssumed: false } : { ...load, circuitId: null };
  });
  return changed ? { ...house, loads } : house;
}

/** The legs each placed load may sit on, by load: those its circuit has. */
export function circuitLegSets(house: SurveyedHouse): Map<string, readonly LegSet[]> {
  const circuits = circuitsById(house.survey);
  const { legSets } = systemFacts[house.supply.system];
  return new Map(
    house.loads.flatMap((load) => {
      const placed = load.circuitId === null ? undefined : circuits.get(load.circuitId);
      if (!placed) return [];
      const has = circuitLegs(placed.panel, placed.circuit, house.supply.system);
      return [[load.id, legSets.filter((set) => legsOf(set).every((leg) => has.includes(leg)))] as const];
    }),
  );
}
