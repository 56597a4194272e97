import type { BackedUpHouse } from './backed-up-house.js';
import type { CircuitLane } from './lane.schema.js';

type Laned = Pick<BackedUpHouse, 'backup'>;

/** How a circuit stands in an outage, by its id. */
export type LaneOf = (circuitId: string) => Pick<CircuitLane, 'lane' | 'shed'>;

const dark = { lane: 'dark', shed: null } as const;

/** Where every circuit stands; dark where nothing is said. */
export function laneOfCircuits({ backup }: Laned): LaneOf {
  const said = new Map(backup.lanes.map((lane) => [lane.circuitId, lane]));
  return (circuitId) => said.get(circuitId) ?? dark;
}

/** The plan with something else said about some circuits. */
export function changeLanes<P extends Laned>(
  plan: P,
  circuitIds: Iterable<string>,
  change: (now: Pick<CircuitLane, 'lane' | 'shed'>) => Pick<CircuitLane, 'lane' | 'shed'>,
): P {
  const lanes = new Map(plan.backup.lanes.map((lane) => [lane.circuitId, lane]));
  for (const circuitId of circuitIds) {
    const now = lanes.get(circuitId) ?? dark;
    lanes.set(circuitId, { circuitId, ...change({ lane: now.lane, shed: now.shed }) });
  }
  return {
    ...plan,
    backup: {
      ...plan.backup,
      lanes: [...lanes.values()].filter(({ lane, shed }) => lane !== 'dark' || shed),
    },
  };
}
