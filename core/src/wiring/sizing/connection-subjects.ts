import { legsOf, systemFacts } from '../../electric/index.js';
import type { Plan } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';
import { type Feeders, towardsGrid } from '../graph/feeders-from-grid.js';
import { sourceCable } from '../graph/source-cable.js';
import type { WiringGraph } from '../graph/wiring-graph.js';

/** What the sources behind each meter feed into the grid at most, phase by phase. */
export function connectionSubjects(plan: Plan, graph: WiringGraph, fedBy: Feeders): Subject<'connection'>[] {
  const { system } = plan.supply;
  const { legs, legVoltageV } = systemFacts[system];
  const isBehind = (at: string, meter: string): boolean =>
    [...towardsGrid(fedBy, at)].some(({ from }) => from === meter);
  return plan.survey.services.flatMap(({ id, name }): Subject<'connection'>[] => {
    const perLeg = new Map(legs.map((leg) => [leg, 0]));
    for (const { at, kind } of graph.sources) {
      if ((kind !== 'inverter' && kind !== 'array') || !isBehind(at, `meter:${id}`)) continue;
      const cable = sourceCable(graph, at);
      for (const leg of cable ? legsOf(cable.legs ?? legs[0]!) : [])
        if (perLeg.has(leg)) perLeg.set(leg, perLeg.get(leg)! + cable!.continuousA);
    }
    const amps = [...perLeg.values()];
    const most = Math.max(...amps);
    if (most <= 0) return [];
    return [
      {
        kind: 'connection',
        keyBefore: `connection:${id}`,
        keyAfter: '',
        name,
        about: `meter:${id}`,
        facts: {
          service: name,
          perPhaseA: Math.round(most * 10) / 10,
          unevenA: Math.round((most - Math.min(...amps)) * 10) / 10,
          totalVA: amps.reduce((sum, one) => sum + one * legVoltageV, 0),
          phases: legs.length,
        },
      },
    ];
  });
}
