import type { Survey } from '@levamen/core/house';

/** A service or a panel in the order in which one feeds the next. */
export interface TreeEntry {
  readonly id: string;
  readonly name: string;
  readonly kind: 'service' | 'panel';
  readonly depth: number;
}

/** Services, each followed by the panels behind it; panels whose source is not known come last. */
export function panelTree(survey: Survey | null): TreeEntry[] {
  if (!survey) return [];
  const entries: TreeEntry[] = [];
  const seen = new Set<string>();
  const below = (isChild: (panel: Survey['panels'][number]) => boolean, depth: number): void => {
    for (const panel of survey.panels.filter((one) => isChild(one) && !seen.has(one.id))) {
      seen.add(panel.id);
      entries.push({ id: panel.id, name: panel.name, kind: 'panel', depth });
      const circuits = new Set(panel.circuits.map(({ id }) => id));
      below(
        ({ fedFrom }) =>
          (fedFrom.kind === 'circuit' && circuits.has(fedFrom.circuitId)) ||
          (fedFrom.kind === 'lugs' && fedFrom.panelId === panel.id),
        depth + 1,
      );
    }
  };
  for (const service of survey.services) {
    entries.push({ id: service.id, name: service.name, kind: 'service', depth: 0 });
    below(({ fedFrom }) => fedFrom.kind === 'service' && fedFrom.serviceId === service.id, 1);
  }
  below(() => true, 0);
  return entries;
}
