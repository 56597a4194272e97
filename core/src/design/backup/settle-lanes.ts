import { type Circuit, type Lane, mapCircuits, type SurveyedHouse } from '../../house/index.js';

/**
 * The job with lanes and ticks in agreement: a circuit with a load that is ticked for the backup set is not dark, one
 * without any is, and a feeder is live as long as anything behind it is. Circuits without a load keep their lane.
 */
export function settleLanes<P extends SurveyedHouse>(plan: P): P {
  const ticked = new Map<string, boolean>();
  for (const { circuitId, inBackupSet } of plan.loads) {
    if (circuitId !== null) ticked.set(circuitId, inBackupSet || (ticked.get(circuitId) ?? false));
  }
  const { panels } = plan.survey;
  const fed = new Map(
    panels.flatMap((panel) =>
      panel.fedFrom.kind === 'circuit' ? [[panel.fedFrom.circuitId, panel] as const] : [],
    ),
  );
  const live = (circuit: Circuit, depth = 0): boolean => {
    const below = fed.get(circuit.id);
    const own = ticked.get(circuit.id);
    if (below && depth < panels.length) {
      const rests = own === undefined && below.circuits.length === 0;
      if (rests) return circuit.lane !== 'dark';
      return (own ?? false) || below.circuits.some((next) => live(next, depth + 1));
    }
    return own ?? circuit.lane !== 'dark';
  };
  const settled = (circuit: Circuit): Lane => {
    if (live(circuit)) return circuit.lane === 'dark' ? 'on' : circuit.lane;
    return 'dark';
  };
  let changed = false;
  const survey = mapCircuits(plan.survey, (circuit) => {
    const lane = settled(circuit);
    if (lane === circuit.lane) return circuit;
    changed = true;
    return { ...circuit, lane };
  });
  return changed ? { ...plan, survey } : plan;
}
