import { given } from '../../base/index.js';
import type { Plan } from '../../design/index.js';
import { faultAfterRunA, transformerFaultA } from '../../rules/details.js';
import type { Subject } from '../../rules/packs.js';
import type { Feeders } from '../graph/feeders-from-grid.js';
import type { WiringGraph } from '../graph/wiring-graph.js';
import type { SizedCable } from './size-cable.js';

const usualImpedance = 0.02;
/** A transformer may have so much less impedance than its plate says (IEEE C57.12, recalled). */
const impedanceTolerance = 0.1;

/** Fault current at each place, A, from the utility's figure or the transformer, less along every cable that is known; empty where nothing is known. */
export function faultCurrents(
  plan: Plan,
  graph: WiringGraph,
  fedBy: Feeders,
  cables: ReadonlyMap<string, SizedCable>,
): ReadonlyMap<string, number> {
  const at = new Map<string, number>();
  const { transformerKVA, transformerImpedance } = plan.wiring;
  for (const service of plan.survey.services) {
    const cable = graph.parts.find(({ id }) => id === `drop:${service.id}`)?.cable;
    const known =
      service.faultCurrentA ??
      (transformerKVA === null || !cable
        ? null
        : transformerFaultA(
            {
              kVA: transformerKVA,
              voltageV: cable.voltageV,
              impedanceShare: transformerImpedance ?? usualImpedance,
              phases: cable.phases,
            },
            impedanceTolerance,
          ));
    if (known !== null) at.set(`meter:${service.id}`, known);
  }
  // The walk from the grid names what feeds a place before the place.
  for (const [id, { part, from }] of fedBy) {
    if (at.has(id)) continue;
    const ahead = at.get(from);
    if (ahead === undefined) continue;
    const sized = cables.get(part.id);
    at.set(
      id,
      sized?.conductor
        ? faultAfterRunA(ahead, sized.conductor, {
            lengthM: sized.cable.lengthM.value,
            voltageV: sized.cable.voltageV,
            phases: sized.cable.phases,
          })
        : ahead,
    );
  }
  return at;
}

/** Busbars where the fault current is known. */
export const busSubjects = (
  graph: WiringGraph,
  faults: ReadonlyMap<string, number>,
  interruptsA: number,
): Subject<'bus'>[] =>
  graph.places
    .filter(({ kind, id }) => kind === 'bus' && faults.has(id))
    .map(({ id, name }) => ({
      kind: 'bus',
      keyBefore: id,
      keyAfter: '',
      name,
      about: id,
      facts: {
        name,
        faultA: given({
          key: `${id}.fault-current`,
          label: `Fault current at ${name}`,
          value: faults.get(id)!,
          unit: 'A',
          source: { kind: 'published', reference: 'point-to-point method (recalled)' },
          assumptions: [
            'The least impedance of the transformer where it was estimated; lengths as they stand.',
          ],
        }),
        interruptsA: given({
          key: `${id}.interrupts`,
          label: 'What its breakers interrupt',
          value: interruptsA,
          unit: 'A',
          source: { kind: 'common-practice' },
          assumptions: ['Usual of breakers for houses: read it off the breakers.'],
        }),
      },
    }));
