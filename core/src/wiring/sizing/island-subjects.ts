import { derived, given } from '../../base/index.js';
import { islandWiring, type Plan } from '../../design/index.js';
import { magneticTimes } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';
import type { WiringGraph } from '../graph/wiring-graph.js';

/** What an inverter gives into a short for a moment, times its rating, where its maker says nothing (common practice, no source). */
const usualFaultTimes = 1.5;

/**
 * In an island a fault must still be cleared: an inverter hardly opens a breaker at once, so residual-current protection has to. One subject for each
 * island, against the largest breaker of its panels that no residual-current device stands behind.
 */
export function islandSubjects(plan: Plan, graph: WiringGraph): Subject<'island'>[] {
  return graph.sources
    .filter(({ kind, id }) => kind === 'inverter' && id.endsWith(':1'))
    .flatMap(({ id, name, parallelGroup }): Subject<'island'>[] => {
      const ratedA = graph.parts.find(({ to }) => to === id)?.cable?.continuousA ?? 0;
      const units = graph.sources.filter(
        (source) => source.parallelGroup === parallelGroup && source.kind === 'inverter',
      );
      const said = islandWiring(plan.wiring, parallelGroup!).faultTimes;
      const bare = plan.survey.panels
        .flatMap(({ circuits }) => circuits)
        .filter(
          ({ use, ratingA, protection }) =>
            use === 'circuit' && ratingA !== null && !['rcd', 'rcbo'].includes(protection),
        );
      const largest = bare.toSorted((a, b) => b.ratingA! - a.ratingA!)[0];
      if (!largest) return [];
      const rating = given({
        key: `${largest.id}.rating`,
        label: `Breaker “${largest.name}”`,
        value: largest.ratingA!,
        unit: 'A',
        source: { kind: 'user' },
      });
      const times = given({
        key: 'magnetic-times',
        label: 'A breaker of curve B opens at once with so many times its rating',
        value: magneticTimes.values.B,
        unit: 'factor',
        source: { kind: 'published', reference: 'IEC 60898-1, Table 7 (recalled)' },
      });
      const rated = given({
        key: `${id}.rated`,
        label: `Continuous output of ${name}`,
        value: ratedA * units.length,
        unit: 'A',
        source: { kind: 'catalogue', unit: name },
      });
      const short = given({
        key: `${id}.short`,
        label: 'It gives into a short, times that',
        value: said ?? usualFaultTimes,
        unit: 'factor',
        source: said === null ? { kind: 'common-practice' } : { kind: 'user' },
      });
      return [
        {
          kind: 'island',
          keyBefore: id,
          keyAfter: '',
          name: `Faults in the island of ${name}`,
          about: id,
          facts: {
            name,
            breaker: largest.name,
            opensWithA: derived({
              key: `${id}.opens-with`,
              label: `What opens “${largest.name}” at once`,
              value: times.value * rating.value,
              unit: 'A',
              formula: '{times} × {rating}',
              inputs: { times, rating },
            }),
            givesA: derived({
              key: `${id}.gives`,
              label: 'What the inverter gives into a short',
              value: short.value * rated.value,
              unit: 'A',
              formula: '{short} × {rated}',
              inputs: { short, rated },
            }),
          },
        },
      ];
    });
}
