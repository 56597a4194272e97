import type { BackedUpHouse } from './backed-up-house.js';
import {
  type Circuit,
  type Load,
  loadsByCircuit,
  type Panel,
  panelFedBy,
  type Tier,
  tiers,
} from '../../house/index.js';
import type { Island } from './islands.js';
import { laneOfCircuits } from './circuit-lanes.js';
import { standingOf, standings, type Standing } from './lane-of.js';
import { movesWith } from './move-groups.js';

/** What is moved between the lanes: a circuit, or a load that hangs on none. */
export interface BenchItem extends Standing {
  /** Id of the circuit, or of the load. */
  readonly id: string;
  readonly name: string;
  readonly panel: Panel | null;
  readonly circuit: Circuit | null;
  readonly loads: readonly Load[];
  /** The panel behind a feeder; its circuits are items of their own. */
  readonly feeds: Panel | null;
  /** Tiers of its loads, most wanted first, each once. */
  readonly tiers: readonly Tier[];
  /** Ids of the circuits that move with it. */
  readonly movesWith: readonly string[];
}

const tiersOf = (loads: readonly Load[]): Tier[] =>
  tiers.filter((tier) => loads.some((load) => load.tier === tier));

/** The circuits of an island, in the order of its panels, and its loads that hang on none. Spares are left out. */
export function benchItems(
  plan: Pick<BackedUpHouse, 'survey' | 'loads' | 'backup'>,
  island: Island,
): BenchItem[] {
  const byCircuit = loadsByCircuit(plan.loads);
  const laneOf = laneOfCircuits(plan);
  const standing = standings(plan);
  const circuits = island.panels.flatMap((panel) =>
    panel.circuits
      .filter(({ use }) => use === 'circuit')
      .map((circuit): BenchItem => {
        const loads = byCircuit.get(circuit.id) ?? [];
        const feeds = panelFedBy(plan, circuit.id) ?? null;
        // Hardly any circuit takes others along; finding out goes through all of them.
        const alone = circuit.neutralGroup === '' && feeds === null;
        const together = new Set(alone ? [] : movesWith(plan, [circuit.id]));
        together.delete(circuit.id);
        return {
          id: circuit.id,
          name: circuit.name || `Space ${circuit.spaces.join(', ')}`,
          panel,
          circuit,
          loads,
          feeds,
          tiers: tiersOf(loads),
          movesWith: [...together],
          ...standingOf(laneOf(circuit.id)),
        };
      }),
  );
  const loose = island.first
    ? (byCircuit.get(null) ?? []).map((load): BenchItem => ({
        id: load.id,
        name: load.name,
        panel: null,
        circuit: null,
        loads: [load],
        feeds: null,
        tiers: [load.tier],
        movesWith: [],
        ...standing(load),
      }))
    : [];
  return [...circuits, ...loose];
}
