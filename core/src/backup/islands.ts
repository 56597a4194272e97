import type { StackPart } from '../sizing/stack-part.schema.js';
import type { Job } from '../job/job.schema.js';
import type { Panel, Service } from '../panel/panel.schema.js';
import { panelUpstream } from '../panel/panel-tree.js';
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
export function islandsOf(job: Pick<Job, 'survey' | 'backup'>): Island[] {
  const { survey } = job;
  const backed = survey.services.filter(({ id }) => serviceBackup(job, id).school !== 'none');
  const hosts = backed.filter(({ id }) => {
    const { joinedTo } = serviceBackup(job, id);
    return joinedTo === null || !backed.some((other) => other.id === joinedTo);
  });
  const serviceOf = new Map(
    survey.panels.map((panel) => [panel.id, panelUpstream(survey, panel).service?.id]),
  );
  const islands = hosts.map((host, index): Island => {
    const services = [host, ...backed.filter(({ id }) => serviceBackup(job, id).joinedTo === host.id)];
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
export const chosenFor = ({ design }: Pick<Job, 'design'>, island: Island): readonly StackPart[] | null =>
  island.first
    ? design.chosen
    : (design.others.find(({ serviceId }) => serviceId === island.id)?.chosen ?? null);

/** The job with another stack for an island. */
export function chooseFor(job: Job, island: Island, chosen: StackPart[] | null): Job {
  const { design } = job;
  if (island.first) return { ...job, design: { ...design, chosen } };
  const others = design.others.filter(({ serviceId }) => serviceId !== island.id);
  return {
    ...job,
    design: { ...design, others: chosen === null ? others : [...others, { serviceId: island.id, chosen }] },
  };
}

/** A job as one island sees it: its loads, and its stack. A job of one island is itself. */
export function islandJob(job: Job, island: Island): Job {
  const circuits = new Set(island.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const mine = job.loads.filter(({ circuitId }) =>
    circuitId === null ? island.first : circuits.has(circuitId),
  );
  if (island.first && mine.length === job.loads.length) return job;
  const chosen = chosenFor(job, island);
  return {
    ...job,
    loads: mine,
    // Additions are planned for the house; the first source carries them.
    brief: island.first ? job.brief : { ...job.brief, plannedAdditions: [] },
    design: { chosen: chosen === null ? null : [...chosen], others: [] },
  };
}
