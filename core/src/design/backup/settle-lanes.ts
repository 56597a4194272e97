import { type Circuit, loadsByCircuit } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { laneOfCircuits } from './circuit-lanes.js';
import { keptLoads } from './kept-loads.js';
import { softStarted } from './soft-starters.js';
import { unpluggedLoads } from './unplugged.js';
import type { CircuitLane } from './lane.schema.js';

interface LoadName {
  loadId: string;
}
const sameLoads = (a: readonly LoadName[], b: readonly LoadName[]): boolean =>
  a.length === b.length && a.every(({ loadId }, i) => loadId === b[i]!.loadId);

/**
 * The plan with lanes and kept loads in agreement: a circuit with a load that is kept is not dark, one without any is, and
 * a feeder is live as long as anything behind it is. Circuits without a load keep their lane. What is kept is not unplugged. Nothing
 * is said about loads and circuits that are gone; what is said stands in their order.
 */
export function settleLanes<P extends BackedUpHouse>(plan: P): P {
  const { backup, loads, survey } = plan;
  const keptIds = keptLoads(plan);
  const pulled = unpluggedLoads(plan);
  const soft = softStarted(plan);
  const inOrder = (isMeant: (id: string) => boolean): LoadName[] =>
    loads.filter(({ id }) => isMeant(id)).map(({ id }) => ({ loadId: id }));
  const kept = inOrder((id) => keptIds.has(id));
  const unplugged = inOrder((id) => pulled.has(id) && !keptIds.has(id));
  const softStarters = inOrder((id) => soft.has(id));
  const byCircuit = loadsByCircuit(loads);
  const laneOf = laneOfCircuits(plan);
  const fed = new Map(
    survey.panels.flatMap((panel) =>
      panel.fedFrom.kind === 'circuit' ? [[panel.fedFrom.circuitId, panel] as const] : [],
    ),
  );
  const isLive = ({ id }: Circuit, depth = 0): boolean => {
    const below = fed.get(id);
    const own = byCircuit.get(id)?.some((load) => keptIds.has(load.id));
    if (!below || depth >= survey.panels.length) return own ?? laneOf(id).lane !== 'dark';
    if (own === undefined && below.circuits.length === 0) return laneOf(id).lane !== 'dark';
    return (own ?? false) || below.circuits.some((next) => isLive(next, depth + 1));
  };
  const lanes = survey.panels.flatMap(({ circuits }) =>
    circuits.flatMap((circuit): CircuitLane[] => {
      const { lane, shed } = laneOf(circuit.id);
      const settled = isLive(circuit) ? (lane === 'dark' ? 'on' : lane) : 'dark';
      return settled === 'dark' && shed === null ? [] : [{ circuitId: circuit.id, lane: settled, shed }];
    }),
  );
  const isSettled =
    sameLoads(kept, backup.kept) &&
    sameLoads(unplugged, backup.unplugged) &&
    sameLoads(softStarters, backup.softStarters) &&
    lanes.length === backup.lanes.length &&
    lanes.every(({ circuitId, lane }, i) => {
      const said = backup.lanes[i]!;
      return circuitId === said.circuitId && lane === said.lane;
    });
  return isSettled ? plan : { ...plan, backup: { ...backup, kept, unplugged, softStarters, lanes } };
}
