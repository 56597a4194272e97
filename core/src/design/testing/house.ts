import { undecidedBackup, type ServiceBackup } from '../backup/backup.schema.js';
import { settlePlan } from '../plan/settle-plan.js';
import type { Plan } from '../plan/plan.js';
import { type Circuit, emptySurvey, type Load, type Panel } from '../../house/index.js';
import { newCircuit, newPanel, newService } from '../../house/details.js';
import { aPlan } from './plan.js';

/** One circuit of a house for a test: its loads, and what is special about it. */
export interface Way {
  readonly loads: readonly Load[];
  readonly changes?: Partial<Circuit>;
  /** Ids of its loads that are not kept. */
  readonly notKept?: readonly string[];
}

/** A panel with one breaker for each way; loads with two legs get two poles. Circuits are called "s1-1", "s1-2" and so on. */
export function aPanel(service: string, ways: readonly Way[], changes: Partial<Panel> = {}): Panel {
  let space = 1;
  const circuits = ways.map(({ loads, changes: special }, index) => {
    const poles = loads.some(({ legs }) => legs.includes('-')) ? 2 : 1;
    // Odd spaces run down one column, and the legs alternate.
    const spaces = Array.from({ length: poles }, (_, pole) => space + 2 * pole);
    space += 2 * poles;
    return { ...newCircuit(`${service}-${index + 1}`, spaces, `Way ${index + 1}`), ...special };
  });
  return {
    ...newPanel(`panel-${service}`, `Panel ${service}`, 'split-120-240', {
      kind: 'service',
      serviceId: service,
    }),
    spaces: 84,
    circuits,
    ...changes,
  };
}

/** A house of services, each with one panel, with every load on its circuit. */
export function aHouse(
  services: Readonly<Record<string, readonly Way[]>>,
  changes: Partial<Plan> = {},
  backup: readonly (Partial<ServiceBackup> & { serviceId: string })[] = [],
): Plan {
  const loads = Object.entries(services).flatMap(([service, ways]) =>
    ways.flatMap((way, index) =>
      way.loads.map((load) => ({ ...load, circuitId: `${service}-${index + 1}` })),
    ),
  );
  const notKept = Object.values(services).flatMap((ways) => ways.flatMap((way) => way.notKept ?? []));
  const plan = aPlan(loads, {}, notKept);
  return settlePlan({
    ...plan,
    survey: {
      ...emptySurvey(),
      services: Object.keys(services).map((id) => ({ ...newService(id, `Service ${id}`), ratingA: 200 })),
      panels: Object.entries(services).map(([service, ways]) => aPanel(service, ways)),
    },
    backup: {
      ...plan.backup,
      services: backup.map((said) => ({ ...undecidedBackup(said.serviceId), ...said })),
    },
    ...changes,
  });
}
