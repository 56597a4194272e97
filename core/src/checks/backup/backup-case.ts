import type { Stack } from '../../equipment/index.js';
import { type Panel, panelUpstream, type Service } from '../../house/index.js';
import {
  type BenchItem,
  benchItems,
  isBehindMains,
  type Island,
  type Plan,
  serviceBackup,
  type ServiceBackup,
} from '../../design/index.js';
import type { DemandContext } from '../../study/index.js';

/** What is shown of a plan's islands: the one that is evaluated, and the units selected for it. */
export interface ShownIsland {
  readonly islands: readonly Island[];
  readonly context: DemandContext;
  readonly island: Island | null;
  readonly stack: Stack | null;
}

/** What a service and its backup are looked at with. */
export interface BackupCase {
  readonly plan: Plan;
  readonly service: Service;
  readonly said: ServiceBackup;
  /** The island it is in; of its own where it is not backed up. */
  readonly island: Island;
  /** Panels of this service. */
  readonly panels: readonly Panel[];
  readonly items: readonly BenchItem[];
  readonly context: DemandContext;
  /** The units of the island that is shown; null for a service of another one. */
  readonly stack: Stack | null;
}

export function backupCase(
  plan: Plan,
  service: Service,
  { islands, context, island, stack }: ShownIsland,
): BackupCase {
  const all = plan.survey.panels.filter(
    (panel) => panelUpstream(plan.survey, panel).service?.id === service.id,
  );
  // A service of several mains may be in several islands. One that is not backed up is in none, but its circuits are there.
  const mine = islands.filter(({ services }) => services.includes(service));
  const own = mine.find(({ id }) => id === island?.id) ??
    mine[0] ?? {
      id: service.id,
      name: service.name,
      services: [service],
      panels: all,
      first: false,
    };
  // Behind single mains, what the others feed is not its matter.
  const said = serviceBackup(plan, service.id);
  const panels = isBehindMains(said.isolation) ? all.filter((panel) => own.panels.includes(panel)) : all;
  const ids = new Set(panels.map(({ id }) => id));
  return {
    plan,
    service,
    said,
    island: own,
    panels,
    items: benchItems(plan, own).filter(({ panel }) => panel !== null && ids.has(panel.id)),
    context,
    stack: own.id === island?.id ? stack : null,
  };
}

export const isKept = ({ lane }: BenchItem): boolean => lane !== 'dark';
