import type { SurveyedHouse } from './surveyed-house.js';
import type { Load } from '../loads/load.schema.js';
import { isAmerican, type LegSet, legsOf, type SupplySystem, systemFacts } from '../../electric/index.js';
import { circuitLegs, circuitLegSet } from './circuit-legs.js';
import { circuitsById, type PlacedCircuit } from './find-circuit.js';

/** Above it a load is seldom on one leg of 120 V: 16 A, what a 20 A circuit carries for hours (NEC 210.20; recalled), W. */
const largeW = 1920;

/**
 * The legs of a load on a circuit. Those of a one-pole circuit are known, unless nobody has looked at its panel. On a circuit of more poles it sits on all of them unless somebody
 * has said that it is on some (a 120 V load on a shared circuit); what nobody said stays a guess. A load that needs more legs
 * than the circuit has keeps them; a finding says so.
 */
export function legsOnCircuit(
  load: Pick<Load, 'legs' | 'legsAssumed'>,
  placed: PlacedCircuit,
  system: SupplySystem,
): Pick<Load, 'legs' | 'legsAssumed'> {
  const set = circuitLegSet(placed.panel, placed.circuit, system);
  const has = legsOf(set);
  const wants = legsOf(load.legs);
  const { legs, legsAssumed } = load;
  if (wants.length > has.length) return { legs, legsAssumed };
  if (has.length === 1) return { legs: set, legsAssumed: !placed.panel.surveyed };
  if (legsAssumed) return { legs: set, legsAssumed };
  return wants.every((leg) => has.includes(leg)) ? { legs, legsAssumed } : { legs: set, legsAssumed: true };
}

/** The legs of a load on no circuit: a guess of one leg of 120 V does not hold for a large load. */
function unplacedLegs(
  { legs, legsAssumed, runningPowerW }: Load,
  system: SupplySystem,
): Pick<Load, 'legs' | 'legsAssumed'> {
  const onBoth = legsAssumed && runningPowerW > largeW && isAmerican(system) && legsOf(legs).length === 1;
  return { legs: onBoth ? 'L1-L2' : legs, legsAssumed };
}

/** The job with every load on the legs of its circuit; a load whose circuit is gone is not placed any more. */
export function settleLegs<H extends SurveyedHouse>(house: H): H {
  const circuits = circuitsById(house.survey);
  const { system } = house.supply;
  let changed = false;
  const loads = house.loads.map((load): Load => {
    const placed = load.circuitId === null ? undefined : circuits.get(load.circuitId);
    const circuitId = placed ? load.circuitId : null;
    const { legs, legsAssumed } = placed ? legsOnCircuit(load, placed, system) : unplacedLegs(load, system);
    if (legs === load.legs && legsAssumed === load.legsAssumed && circuitId === load.circuitId) return load;
    changed = true;
    return { ...load, legs, legsAssumed, circuitId };
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
