import type { StackPart } from '../../equipment/index.js';
import { type Panel, panelUpstream, type Service } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { islandIdsOf } from './isolation-points.js';
import { serviceBackup } from './service-backup.js';

/** What one source feeds while the grid is away: the services of an island, each cut off at its point of isolation. */
export interface Island {
  readonly id: string;
  readonly name: string;
  readonly services: readonly Service[];
  readonly panels: readonly Panel[];
  /** The first island takes what hangs on no surveyed service. */
  readonly first: boolean;
}

/** The one island of a house whose services nobody has surveyed. */
export const unsurveyedIslandId = 'house';

type Backed = Pick<BackedUpHouse, 'survey' | 'backup'>;

/** The islands of a plan, in the order of its services. Services without backup belong to none. */
export function islandsOf(plan: Backed): Island[] {
  const { survey } = plan;
  const backed = survey.services.filter(({ id }) => serviceBackup(plan, id).school !== 'none');
  const ids = [...new Set(backed.flatMap(({ id }) => islandIdsOf(serviceBackup(plan, id))))];
  const islandOf = islandByPanel(plan);
  const islands = ids.map((islandId, index): Island => {
    const services = backed.filter(({ id }) => islandIdsOf(serviceBackup(plan, id)).includes(islandId));
    return {
      id: islandId,
      name: services.map((service) => partName(plan, service, islandId)).join(' and '),
      services,
      panels: survey.panels.filter((panel) => {
        const island = islandOf.get(panel);
        return island === undefined ? index === 0 : island === islandId;
      }),
      first: index === 0,
    };
  });
  if (islands.length > 0 || survey.services.length > 0) return islands;
  return [{ id: unsurveyedIslandId, name: 'The house', services: [], panels: survey.panels, first: true }];
}

/** What of a service is in an island: all of it, or some of its mains. */
function partName(plan: Backed, service: Service, islandId: string): string {
  const { isolation } = serviceBackup(plan, service.id);
  if (isolation.at !== 'mains') return service.name;
  const mains = isolation.mains.flatMap((main) =>
    main.islandId === islandId ? plan.survey.panels.filter(({ id }) => id === main.panelId) : [],
  );
  return mains.map(({ name }) => name).join(' and ');
}

/** An island by its name; the first one where there is no such island, null where nothing is backed up. */
export function islandOf(plan: Backed, islandId: string): Island | null {
  const islands = islandsOf(plan);
  return islands.find(({ id }) => id === islandId) ?? islands[0] ?? null;
}

/** The island each panel is in; null = it stays on the grid side, undefined = nobody knows what feeds it. */
function islandByPanel(plan: Backed): ReadonlyMap<Panel, string | null | undefined> {
  const islandOf = (panel: Panel): string | null | undefined => {
    const { service, panels } = panelUpstream(plan.survey, panel);
    if (!service) return undefined;
    const { school, islandId, isolation } = serviceBackup(plan, service.id);
    if (school === 'none') return null;
    if (isolation.at === 'service' || isolation.at === 'feeder') return islandId;
    const own = [panel, ...panels].map(({ id }) => id);
    if (isolation.at === 'main') return own.includes(isolation.panelId) ? islandId : null;
    return isolation.mains.find((main) => own.includes(main.panelId))?.islandId ?? null;
  };
  return new Map(plan.survey.panels.map((panel) => [panel, islandOf(panel)]));
}

/** The stack chosen for an island; null = none. */
export const chosenFor = (
  { equipment }: Pick<BackedUpHouse, 'equipment'>,
  island: Pick<Island, 'id'>,
): readonly StackPart[] | null =>
  equipment.stacks.find(({ islandId }) => islandId === island.id)?.parts ?? null;

/** The plan with another stack for an island; null = none is chosen. What was measured of the one before is not true of it. */
export function chooseFor<P extends Pick<BackedUpHouse, 'equipment'>>(
  plan: P,
  island: Pick<Island, 'id'>,
  parts: readonly StackPart[] | null,
): P {
  const others = plan.equipment.stacks.filter(({ islandId }) => islandId !== island.id);
  const stacks =
    parts === null
      ? others
      : [...others, { islandId: island.id, parts: parts.map((part) => ({ ...part })), measured: null }];
  return { ...plan, equipment: { ...plan.equipment, stacks } };
}
