import type { Isolation, ServiceBackup } from './backup.schema.js';

/** The panels a service is cut off at inside the house; none where it is cut off as a whole, or nobody has said which. */
export function isolatedPanelIds(isolation: Isolation): readonly string[] {
  if (isolation.at === 'service') return [];
  if (isolation.at === 'mains') return isolation.mains.map(({ panelId }) => panelId);
  return isolation.panelId === null ? [] : [isolation.panelId];
}

/** Ids of the islands a service feeds into: one, or one for each of its mains. */
export const islandIdsOf = ({
  isolation,
  islandId,
}: Pick<ServiceBackup, 'isolation' | 'islandId'>): readonly string[] =>
  isolation.at === 'mains' ? [...new Set(isolation.mains.map((main) => main.islandId))] : [islandId];

/** Is only a part of the service behind it: what some of its mains feed? */
export const isBehindMains = ({ at }: Isolation): boolean => at === 'main' || at === 'mains';
