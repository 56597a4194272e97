import { given } from '../../base/index.js';
import { islandWiring, type Plan } from '../../design/index.js';
import { type BusbarClauses, type BusbarWay, busbarWays, type FedBusbar } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';
import { type Feeders, towardsGrid } from '../graph/feeders-from-grid.js';
import { limitAhead } from '../graph/limit-ahead.js';
import { sourceCable } from '../graph/source-cable.js';
import type { WiringGraph, WiringPart, WiringPlace } from '../graph/wiring-graph.js';

/** A busbar with what feeds it, and the ways that are judged. */
export interface JudgedBusbar {
  readonly place: WiringPlace;
  readonly of: FedBusbar;
  readonly ways: readonly BusbarWay[];
}

/** Every busbar that a source of the house feeds on its way to the grid, judged by 705.12 (American codes only). */
export function judgedBusbars(
  plan: Plan,
  graph: WiringGraph,
  fedBy: Feeders,
  clauses: BusbarClauses,
): JudgedBusbar[] {
  const place = new Map(graph.places.map((one) => [one.id, one]));
  const through = new Map<
    string,
    { readonly amps: number; readonly entry: WiringPart; readonly islandId: string }[]
  >();
  for (const { at, kind, parallelGroup } of graph.sources) {
    if (kind !== 'inverter' && kind !== 'array') continue;
    const amps = sourceCable(graph, at)?.continuousA ?? 0;
    for (const { part: entry, from } of towardsGrid(fedBy, at))
      if (place.get(from)?.kind === 'bus')
        through.set(from, [...(through.get(from) ?? []), { amps, entry, islandId: parallelGroup ?? '' }]);
  }
  return [...through].flatMap(([id, sources]): JudgedBusbar[] => {
    const bus = place.get(id)!;
    if (bus.busA === null) return [];
    const mainA = limitAhead(fedBy, id)?.device?.ratingA?.value ?? bus.busA;
    const entries = [...new Set(sources.map(({ entry }) => entry))];
    const islandId = sources.find((one) => one.islandId !== '')?.islandId ?? '';
    const said = islandWiring(plan.wiring, islandId);
    const panel = plan.survey.panels.find(({ id: panelId }) => panelId === bus.panelId);
    const loadBreakersA = (panel?.circuits ?? [])
      .filter(({ ratingA, backFeeds }) => ratingA !== null && !backFeeds)
      .map(({ ratingA }) => ratingA!);
    const of: FedBusbar = {
      busA: bus.busA,
      mainA,
      sourcesA: sources.map(({ amps }) => amps),
      sourceBreakersA: entries.map((entry) => entry.protectedByA ?? 0),
      loadBreakersA,
      atFarEnd: said.atFarEnd,
      centreFed: panel?.centreFed ?? false,
      feedThrough: panel?.feedThrough === 'none' ? null : (panel?.feedThrough ?? null),
      engineer: said.engineer.trim(),
      heldToA: said.heldToA,
    };
    return [{ place: bus, of, ways: busbarWays(of, clauses) }];
  });
}

/** One subject for each busbar: one way that holds is enough. */
export const busbarSubjects = (judged: readonly JudgedBusbar[], edition: string): Subject<'busbar'>[] =>
  judged.map(({ place, of, ways }) => {
    const holding = ways.find(({ holds }) => holds);
    // Where none holds, the one that most often does.
    const best = holding ?? ways[1]!;
    const source = { kind: 'published', reference: `${best.clause}, ${edition}` } as const;
    return {
      kind: 'busbar',
      keyBefore: place.id,
      keyAfter: '',
      name: place.name,
      about: place.id,
      facts: {
        name: place.name,
        holds: holding !== undefined,
        way: `${best.what}. ${best.asks}`.trim(),
        wayClause: best.clause,
        busA: of.busA,
        sourcesA: of.sourcesA.reduce((sum, amps) => sum + amps, 0),
        countedA: given({
          key: `${place.id}.counted`,
          label: `What ${best.clause} counts at the bus of ${place.name}`,
          value: best.demandA,
          unit: 'A',
          source,
          assumptions: ways.map(
            (way) => `${way.clause}: ${way.holds ? 'holds' : 'does not hold'}; ${way.working}`,
          ),
        }),
        allowedA: given({
          key: `${place.id}.bus`,
          label: `What ${best.clause} allows on it`,
          value: best.limitA,
          unit: 'A',
          source,
        }),
      },
    };
  });
