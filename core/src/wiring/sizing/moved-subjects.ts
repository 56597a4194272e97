import { legsOf, systemFacts } from '../../electric/index.js';
import type { LoadKind, Protection } from '../../house/index.js';
import { circuitLegSet } from '../../house/index.js';
import { islandsOf, movedCircuits, type Plan, serviceBackup } from '../../design/index.js';
import type { Subject } from '../../rules/packs.js';

const arcFault: readonly Protection[] = ['afci', 'afci-gfci', 'afdd'];
const residual: readonly Protection[] = ['gfci', 'afci-gfci', 'rcd', 'rcbo'];
/** Kinds of loads that stand where it is wet (common practice, no source). */
const wet: readonly LoadKind[] = ['dishwasher', 'laundry', 'pool'];
/** Kinds of loads that are plugged in (common practice, no source). */
const plugged: readonly LoadKind[] = [
  'outlets',
  'electronics',
  'network',
  'refrigeration',
  'small-appliance',
  'dishwasher',
  'laundry',
  'medical',
  'workshop',
];

/** Circuits that move to a new panel, and are extended by it. */
export const movedSubjects = (plan: Plan): Subject<'moved'>[] =>
  islandsOf(plan).flatMap((island) =>
    movedCircuits(plan, island).flatMap(({ circuit, panel, name, loads }): Subject<'moved'>[] => {
      if (!circuit || !panel) return [];
      const { system } = plan.supply;
      const service = island.services[0];
      const legs = circuitLegSet(panel, circuit, system);
      const { legVoltageV, lineVoltageV } = systemFacts[system];
      return [
        {
          kind: 'moved',
          keyBefore: `moved:${circuit.id}`,
          keyAfter: '',
          name,
          about: panel.id,
          facts: {
            name,
            ratingA: circuit.ratingA,
            voltageV: legsOf(legs).length === 1 ? legVoltageV : lineVoltageV,
            extendedM: service ? serviceBackup(plan, service.id).newPanelDistanceM : null,
            protection: circuit.protection,
            hasArcFault: arcFault.includes(circuit.protection),
            hasResidual: residual.includes(circuit.protection),
            feedsSockets: loads.some(({ kind }) => plugged.includes(kind)),
            feedsLights: loads.some(({ kind }) => kind === 'lighting'),
            isWet: loads.some(({ kind }) => wet.includes(kind)),
          },
        },
      ];
    }),
  );
