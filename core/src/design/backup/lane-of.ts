import type { BackedUpHouse } from './backed-up-house.js';
import { type Circuit, type Lane, type Load, type Shed, usualShed } from '../../house/index.js';

/** Where a load stands in an outage, and how it is shed. */
export interface Standing {
  readonly lane: Lane;
  /** null in every lane but "auto". */
  readonly shed: Shed | null;
}

const on: Standing = { lane: 'on', shed: null };
const dark: Standing = { lane: 'dark', shed: null };

/** Where a circuit itself stands. */
export const standingOf = ({ lane, shed }: Pick<Circuit, 'lane' | 'shed'>): Standing => ({
  lane,
  shed: lane === 'auto' ? (shed ?? usualShed) : null,
});

/**
 * Where every load stands. A load that is not ticked is dark; one that is ticked stands as its circuit, or as the feeder of
 * its panel where that one is shed.
 */
export function standings(plan: Pick<BackedUpHouse, 'survey' | 'loads'>): (load: Load) => Standing {
  const byCircuit = new Map<string, Standing>();
  const feederOf = new Map<string, string>();
  const { panels } = plan.survey;
  for (const { id, fedFrom, circuits } of panels) {
    for (const circuit of circuits) byCircuit.set(circuit.id, standingOf(circuit));
    if (fedFrom.kind === 'circuit') feederOf.set(id, fedFrom.circuitId);
  }
  if ([...byCircuit.values()].every(({ lane }) => lane === 'on' || lane === 'dark')) {
    return ({ inBackupSet }) => (inBackupSet ? on : dark);
  }
  const panelOf = new Map(panels.flatMap(({ id, circuits }) => circuits.map((c) => [c.id, id] as const)));
  const settle = (circuitId: string, depth = 0): Standing => {
    const own = byCircuit.get(circuitId) ?? on;
    const feeder = feederOf.get(panelOf.get(circuitId) ?? '');
    const above = feeder !== undefined && depth < panels.length ? settle(feeder, depth + 1) : on;
    const shed = above.lane === 'auto' || above.lane === 'hand' ? above : own;
    return shed.lane === 'dark' ? on : shed;
  };
  return ({ inBackupSet, circuitId }) => (!inBackupSet ? dark : circuitId === null ? on : settle(circuitId));
}
