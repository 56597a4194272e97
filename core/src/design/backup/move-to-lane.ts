import { type Lane, mapCircuits, type Shed, type SurveyedHouse, usualShed } from '../../house/index.js';
import { movesWith } from './move-groups.js';
import { settleLanes } from './settle-lanes.js';

/** What is moved: circuits, and loads that hang on no circuit. */
export interface Moving {
  readonly circuitIds: readonly string[];
  readonly loadIds: readonly string[];
}

/**
 * Moves circuits to a lane, with those they share a neutral with and everything behind a feeder. All loads of a circuit that
 * comes out of the dark are ticked for the backup set, all of one that goes dark are not. A load without a circuit cannot
 * be shed: it stays on or dark.
 */
export function moveToLane<P extends SurveyedHouse>(plan: P, { circuitIds, loadIds }: Moving, lane: Lane): P {
  const moving = movesWith(plan, circuitIds);
  const loose = new Set(loadIds);
  const wasDark = new Set<string>();
  const survey = mapCircuits(plan.survey, (circuit) => {
    if (!moving.has(circuit.id)) return circuit;
    if (circuit.lane === 'dark') wasDark.add(circuit.id);
    return { ...circuit, lane, shed: lane === 'auto' ? (circuit.shed ?? { ...usualShed }) : circuit.shed };
  });
  const loads = plan.loads.map((load) => {
    const { id, circuitId } = load;
    const moved = circuitId === null ? loose.has(id) : moving.has(circuitId);
    if (!moved) return load;
    const inBackupSet =
      lane === 'dark' ? false : circuitId === null || wasDark.has(circuitId) || load.inBackupSet;
    return inBackupSet === load.inBackupSet ? load : { ...load, inBackupSet };
  });
  return settleLanes({ ...plan, survey, loads });
}

/** The job with the way some circuits are shed changed. */
export function changeShed<P extends SurveyedHouse>(
  plan: P,
  circuitIds: readonly string[],
  change: Partial<Shed>,
): P {
  const wanted = new Set(circuitIds);
  const survey = mapCircuits(plan.survey, (circuit) =>
    wanted.has(circuit.id) ? { ...circuit, shed: { ...(circuit.shed ?? usualShed), ...change } } : circuit,
  );
  return { ...plan, survey };
}
