import type { House } from '../site/house.js';
import type { DayPart } from '../loads/load.schema.js';
import type { Season } from '../../nature/index.js';
import { type Leg, systemFacts } from '../../electric/index.js';
import { bestSwaps, imbalanceVA, type SwapItem, type SwapPlan } from './best-swaps.js';
import { circuitLegs } from '../panels/circuit-legs.js';
import { legMeansVA, loadsBehind, meanVA } from '../panels/circuit-power.js';
import { freeSpaces } from '../panels/occupied-spaces.js';
import type { Circuit, Panel } from '../panels/panel.schema.js';
import { spaceLeg } from '../panels/space-place.js';

export interface PanelBalance {
  readonly legs: readonly Leg[];
  /** The part of the day with the highest mean power. */
  readonly part: DayPart;
  readonly calculatedVA: readonly number[];
  readonly imbalanceVA: number;
  /** Mean of the measured channels on each leg, W; null where none of the panel's circuits is measured. */
  readonly measuredW: readonly number[] | null;
  readonly measuredCircuits: number;
  /** Difference the plans begin with: measured circuits count as measured. */
  readonly presentImbalanceVA: number;
  /** Best plans with one swap, two, and so on. */
  readonly plans: readonly SwapPlan[];
}

/** Mean power of a circuit: measured where a channel measures it, else worked out from its loads. */
const circuitMean = (house: House, circuit: Circuit, season: Season, part: DayPart): number =>
  measuredMeanW(house, circuit) ?? meanVA(loadsBehind(house, circuit.id), season, part);

/** Mean of the channel that measures a circuit, W; null where none does. */
export function measuredMeanW({ usage }: House, { channel }: Pick<Circuit, 'channel'>): number | null {
  if (channel === '' || !usage.measurement) return null;
  return usage.measurement.channels.find(({ name }) => name === channel)?.meanW ?? null;
}

/**
 * How evenly a panel's legs are loaded, calculated and measured, and the swaps of spaces that even it out most.
 *
 * Breakers of one pole move; tandems, shared neutrals and breakers of more poles stay where they are.
 */
export function panelBalance(house: House, panel: Panel, season: Season): PanelBalance {
  const { system } = house.supply;
  const { legs } = systemFacts[system];
  const { part, byLeg } = legMeansVA(house, panel, season);
  const movable = panel.circuits.filter(
    ({ spaces, half, neutralGroup, use }) =>
      use === 'circuit' && spaces.length === 1 && half === null && neutralGroup === '',
  );
  const legIndex = (space: number): number => legs.indexOf(spaceLeg(panel, space, system));
  const items: SwapItem[] = [
    ...movable.map((circuit) => ({
      id: circuit.id,
      space: circuit.spaces[0]!,
      leg: legIndex(circuit.spaces[0]!),
      powerVA: circuitMean(house, circuit, season, part),
    })),
    ...freeSpaces(panel).map((space) => ({ id: null, space, leg: legIndex(space), powerVA: 0 })),
  ];
  const measured = panel.circuits.flatMap((circuit) => {
    const meanW = measuredMeanW(house, circuit);
    return meanW === null ? [] : [{ on: circuitLegs(panel, circuit, system), meanW }];
  });
  const measuredByLeg = legs.map((leg) =>
    measured.reduce((sum, { on, meanW }) => sum + (on.includes(leg) ? meanW / on.length : 0), 0),
  );
  // Where circuits are measured, the swaps rest on what was measured; the rest of the panel stays as calculated.
  const present = byLeg.map((va, index) => {
    const shift = movable
      .filter((circuit) => legIndex(circuit.spaces[0]!) === index)
      .reduce(
        (sum, circuit) =>
          sum +
          circuitMean(house, circuit, season, part) -
          meanVA(loadsBehind(house, circuit.id), season, part),
        0,
      );
    return va + shift;
  });
  return {
    legs,
    part,
    calculatedVA: byLeg,
    imbalanceVA: imbalanceVA(byLeg),
    measuredW: measured.length > 0 ? measuredByLeg : null,
    measuredCircuits: measured.length,
    presentImbalanceVA: imbalanceVA(present),
    plans: bestSwaps(items, present),
  };
}
