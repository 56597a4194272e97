import type { StackPart } from '../../equipment/index.js';
import { type Panel, panelUpstream, type Service } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { serviceBackup } from './service-backup.js';

/** What one source feeds while the grid is away: a service with a source of its own, and those joined to it. */
export interface Island {
  /** Id of its first service; '' for a job without a survey. */
  readonly id: string;
  readonly name: string;
  readonly services: readonly Service[];
  readonly panels: readonly Panel[];
  /** The first island takes what hangs on no surveyed service. */
  readonly first: boolean;
}

/** The islands of a job, in the order of its services. Services without backup belong to none. */
export function islandsOf(plan: Pick<BackedUpHouse, 'survey' | 'backup'>): Island[] {
  const { survey } = plan;
  const backed = survey.services.filter(({ id }) => serviceBackup(plan, id).school !== 'none');
  const hosts = backed.filter(({ id }) => {
    const { joinedTo } = serviceBackup(plan, id);
    return joinedTo === null || !backed.some((other) => other.id === joinedTo);
  });
  const serviceOf = new Map(
    survey.panels.map((panel) => [panel.id, panelUpstream(survey, panel).service?.id]),
  );
  const islands = hosts.map((host, index): Island => {
    const services = [host, ...backed.filter(({ id }) => serviceBackup(plan, id).joinedTo === host.id)];
    const ids = new Set(services.map(({ id }) => id));
    return {
      id: host.id,
      name: services.map(({ name }) => name).join(' and '),
      services,
      panels: survey.panels.filter(({ id }) => {
        const service = serviceOf.get(id);
        return service === undefined ? index === 0 : ids.has(service);
      }),
      first: index === 0,
    };
  });
  if (islands.length > 0 || survey.services.length > 0) return islands;
  return [{ id: '', name: 'The house', services: [], panels: survey.panels, first: true }];
}

/** The stack chosen for an island; null = none. */
export const chosenFor = (
  { design }: Pick<BackedUpHouse, 'design'>,
  island: Island,
): readonly StackPart[] | null =>
  island.first
    ? design.chosen
    : (design.others.find(({ serviceId }) => serviceId === island.id)?.chosen ?? null);

/** The job with another stack for an island. */
export function chooseFor<P extends BackedUpHouse>(plan: P, island: Island, chosen: StackPart[] | null): P {
  const { design } = plan;
  if (island.first) return { ...plan, design: { ...design, chosen } };
  const others = design.others.filter(({ serviceId }) => serviceId !== island.id);
  return {
    ...plan,
    design: { ...design, others: chosen === null ? others : [...others, { serviceId: island.id, chosen }] },
  };
}
