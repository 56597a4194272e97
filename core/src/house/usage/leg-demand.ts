import type { SurveyedHouse } from '../panels/surveyed-house.js';
import { circuitLegs } from '../panels/circuit-legs.js';
import { circuitsById } from '../panels/find-circuit.js';
import { type Leg, systemFacts } from '../../electric/index.js';
import type { Measurement } from './usage.schema.js';

export interface LegDemand {
  readonly leg: Leg;
  readonly meanW: number;
  /** Sum of the peaks of its circuits: what could come together at the worst. */
  readonly sumOfPeaksW: number;
}

/** Measured demand on each leg, from the channels that are mapped to circuits; a circuit on several legs counts evenly on each. */
export function measuredLegDemand(house: SurveyedHouse, { channels }: Measurement): LegDemand[] {
  const circuits = [...circuitsById(house.survey).values()];
  return systemFacts[house.supply.system].legs.map((leg) => {
    let [meanW, sumOfPeaksW] = [0, 0];
    for (const channel of channels) {
      const placed = circuits.find(
        ({ circuit }) => circuit.channel !== '' && circuit.channel === channel.name,
      );
      const on = placed ? circuitLegs(placed.panel, placed.circuit, house.supply.system) : [];
      if (!on.includes(leg)) continue;
      meanW += channel.meanW / on.length;
      sumOfPeaksW += Math.max(0, channel.peakW) / on.length;
    }
    return { leg, meanW, sumOfPeaksW };
  });
}
