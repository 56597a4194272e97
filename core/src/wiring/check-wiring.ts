import type { Plan } from '../design/index.js';
import { judge, type Judgement, packFor, type Subject } from '../rules/packs.js';
import { standingSubjects } from './findings/standing-subjects.js';
import type { StackOf } from './graph/derive-wiring.js';
import { feedersFromGrid } from './graph/feeders-from-grid.js';
import { networkOf } from './graph/network-of.js';
import { faultCurrents } from './sizing/fault-subjects.js';
import { partSubjects } from './sizing/part-subjects.js';
import { type SizedWiring, sizeWiring } from './size-wiring.js';
import { wiringCheck, type WiringCheck } from './sizing/wiring-check.js';
import { dangerousStandings, type StateCheck } from './states/dangerous-standings.js';
import type { Counterexample } from './states/switch-network.js';

/** A wired design, sized and judged. */
export interface WiredDesign extends SizedWiring {
  /** Fault current by place, A. */
  readonly faults: ReadonlyMap<string, number>;
  readonly states: StateCheck;
  /** Worst first. */
  readonly checks: readonly WiringCheck[];
  /** What the rules say of the ways the switches can stand. */
  readonly dangers: readonly { readonly judgement: Judgement; readonly example: Counterexample | null }[];
}

const order = { fails: 0, unknown: 1, holds: 2 } as const;

/** Wires a design: derives the graph, sizes every cable, and has parts, busbars, faults and every way the switches can stand judged by the rules of the place. */
export function wireDesign(plan: Plan, stackOf: StackOf): WiredDesign {
  const pack = packFor(plan);
  const wiring = sizeWiring(plan, stackOf);
  const { graph, cables } = wiring;
  const fedBy = feedersFromGrid(graph);
  const faults = faultCurrents(plan, graph, fedBy, cables);
  const states = dangerousStandings(networkOf(graph));
  const examples = new Map<Subject, Counterexample | null>(
    standingSubjects(graph, states.found).map(({ subject, example }) => [subject, example]),
  );
  const sized = { ...wiring, faults, states };
  const checks = judge(pack, partSubjects(plan, sized, fedBy, stackOf)).map(wiringCheck);
  return {
    ...sized,
    checks: checks.toSorted(
      (a, b) =>
        Number(a.advice) - Number(b.advice) ||
        order[a.verdict] - order[b.verdict] ||
        (b.ratio || 0) - (a.ratio || 0),
    ),
    dangers: judge(pack, [...examples.keys()]).map((judgement) => ({
      judgement,
      example: examples.get(judgement.subject) ?? null,
    })),
  };
}

/** Everything of a wired design that rules are asked about. */
export const wiringSubjects = (plan: Plan, stackOf: StackOf, wired: WiredDesign): Subject[] => [
  ...standingSubjects(wired.graph, wired.states.found).map(({ subject }) => subject),
  ...partSubjects(plan, wired, feedersFromGrid(wired.graph), stackOf),
];
