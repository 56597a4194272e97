import { assembleStack, builtInCatalogue, type StackPart } from '../../equipment/index.js';
import type { Device, Panel } from '../../house/index.js';
import { newCircuit, newPanel } from '../../house/details.js';
import { aLoad } from '../../house/testing/loads.js';
import {
  emptySources,
  type Generator,
  type Plan,
  type ServiceBackup,
  usualGenerator,
} from '../../design/index.js';
import { aHouse } from '../../design/testing/house.js';
import { type WiredDesign, wireDesign } from '../check-wiring.js';

/** Two battery-inverters of the sample line in every island. */
const units: readonly StackPart[] = [{ unitId: 'madder-47', quantity: 2 }];

/** A plan wired with the same units in every island. */
export function wired(plan: Plan, parts: readonly StackPart[] = units): WiredDesign {
  const stack = assembleStack(parts, builtInCatalogue, plan.supply.system);
  return wireDesign(plan, () => (stack.ok ? stack.stack : null));
}

export const device = (kind: Device['kind'], ratingA: number | null = null): Device => ({
  id: `device-${kind}`,
  kind,
  ratingA,
  ownMeter: false,
  place: '',
  note: '',
});

const load = (id: string) => aLoad({ id, name: id, tier: 'must' });

/** A house of one 200 A service with one bonded panel, backed up as a whole by a device that leaves the neutral solid. */
export function aWiredHouse(
  panel: Partial<Panel> = {},
  backup: Partial<ServiceBackup> = {},
  changes: Partial<Plan> = {},
): Plan {
  const plan = aHouse({ s: [{ loads: [load('one')] }, { loads: [load('two')] }] }, changes, [
    {
      serviceId: 's',
      school: 'service',
      isolatingDevice: 'contactor',
      isolatingRatingA: 200,
      bondWhileIslanded: 'service',
      ...backup,
    },
  ]);
  return {
    ...plan,
    survey: {
      ...plan.survey,
      panels: plan.survey.panels.map((one) => ({
        ...one,
        busRatingA: 200,
        mainBreakerA: 200,
        bonded: true,
        ...panel,
      })),
    },
  };
}

/** The plan with a generator. */
export const withGenerator = (plan: Plan, changes: Partial<Generator> = {}): Plan => ({
  ...plan,
  sources: { ...emptySources(), ...plan.sources, generator: { ...usualGenerator('hand'), ...changes } },
});

/** The plan with a sub-panel behind a transfer switch, on the first circuit; its neutral is separate. */
export const withSubPanel = (plan: Plan): Plan => ({
  ...plan,
  survey: {
    ...plan.survey,
    panels: [
      ...plan.survey.panels,
      {
        ...newPanel('sub', 'Sub-panel', plan.supply.system, { kind: 'circuit', circuitId: 's-1' }),
        busRatingA: 100,
        bonded: false,
        between: [device('transfer-switch', 60)],
        circuits: [newCircuit('sub-1', [1, 3], 'Roof')],
      },
    ],
  },
});
