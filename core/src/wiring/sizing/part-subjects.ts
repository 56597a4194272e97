import type { Plan } from '../../design/index.js';
import { packFor, type Subject } from '../../rules/packs.js';
import type { StackOf } from '../graph/derive-wiring.js';
import type { Feeders } from '../graph/feeders-from-grid.js';
import type { WiringGraph } from '../graph/wiring-graph.js';
import { busbarSubjects, type JudgedBusbar } from './busbar-subjects.js';
import { controllerSubjects } from './controller-subjects.js';
import { cableSubjects } from './cable-subjects.js';
import { busSubjects } from './fault-subjects.js';
import { connectionSubjects } from './connection-subjects.js';
import { equipmentSubjects } from './equipment-subjects.js';
import { islandSubjects } from './island-subjects.js';
import { isolatingSubjects } from './isolating-subjects.js';
import { movedSubjects } from './moved-subjects.js';
import { serviceLoadSubjects } from './service-load-subjects.js';
import { parallelSubjects } from './parallel-subjects.js';
import type { SizedCable } from './size-cable.js';
import { stringSubjects } from './string-subjects.js';
import { tapFacts } from './tap-facts.js';

/** A graph with its cables sized, its busbars and faults worked out. */
interface SizedGraph {
  readonly graph: WiringGraph;
  readonly cables: ReadonlyMap<string, SizedCable>;
  readonly busbars: readonly JudgedBusbar[];
  readonly faults: ReadonlyMap<string, number>;
}

/** Parts, busbars and islands of the wiring, as rules see them. */
export function partSubjects(
  plan: Plan,
  { graph, cables, busbars, faults }: SizedGraph,
  fedBy: Feeders,
  stackOf: StackOf,
): Subject[] {
  const { edition, values } = packFor(plan);
  return [
    ...[...cables.values()].flatMap((sized) =>
      cableSubjects(sized, values, edition, tapFacts(sized, graph.parts, fedBy)),
    ),
    ...isolatingSubjects(graph, fedBy),
    ...busbarSubjects(busbars, edition),
    ...busSubjects(graph, faults, values.usualInterruptsA),
    ...islandSubjects(plan, graph),
    ...stringSubjects(plan),
    ...parallelSubjects(cables),
    ...controllerSubjects(plan, stackOf),
    ...movedSubjects(plan),
    ...equipmentSubjects(plan, graph),
    ...serviceLoadSubjects(plan, stackOf),
    ...connectionSubjects(plan, graph, fedBy),
  ];
}
