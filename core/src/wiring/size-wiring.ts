import type { Plan } from '../design/index.js';
import { packFor } from '../rules/packs.js';
import { deriveWiring, type StackOf } from './graph/derive-wiring.js';
import { feedersFromGrid } from './graph/feeders-from-grid.js';
import { isSupplySide } from './graph/limit-ahead.js';
import type { WiringGraph } from './graph/wiring-graph.js';
import { judgedBusbars, type JudgedBusbar } from './sizing/busbar-subjects.js';
import { type SizedCable, sizeCable } from './sizing/size-cable.js';

/** A design as it is wired, every cable of a size. */
export interface SizedWiring {
  readonly graph: WiringGraph;
  /** By part. */
  readonly cables: ReadonlyMap<string, SizedCable>;
  readonly busbars: readonly JudgedBusbar[];
}

/** Derives the wiring of a plan and sizes it: what is known of it before anything is judged. */
export function sizeWiring(plan: Plan, stackOf: StackOf): SizedWiring {
  const graph = deriveWiring(plan, stackOf);
  const { busbarClauses } = packFor(plan).values;
  const fedBy = feedersFromGrid(graph);
  const cables = new Map(
    graph.parts.flatMap((part) => {
      const sized = sizeCable(plan, part, isSupplySide(fedBy, part.from));
      return sized ? [[part.id, sized] as const] : [];
    }),
  );
  return { graph, cables, busbars: busbarClauses ? judgedBusbars(plan, graph, fedBy, busbarClauses) : [] };
}
