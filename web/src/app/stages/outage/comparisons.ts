import type { Catalogue } from '@levamen/core/equipment';
import type { Plan, Scenario, Sources } from '@levamen/core/design';
import { helpfulChanges, type OutageStudy } from '@levamen/core/study/details';

/** Something an outage can be compared with. */
export interface Comparison {
  readonly id: string;
  readonly label: string;
  readonly study: OutageStudy;
}

/** What an outage can be compared with, as the job stands: conditions taken away, and every change that may help. */
export function comparisonsOf(study: OutageStudy, catalogue: Catalogue): Comparison[] {
  const { plan } = study;
  const { household } = plan.outage;
  const { arrays, generator } = plan.sources;
  const changed = (id: string, label: string, change: Partial<Plan>): Comparison => ({
    id,
    label,
    study: { ...study, plan: { ...plan, ...change } },
  });
  const conditions = (id: string, label: string, change: Partial<Scenario>): Comparison =>
    changed(id, label, { outage: { ...plan.outage, ...change } });
  const sources = (id: string, label: string, change: Partial<Sources>): Comparison =>
    changed(id, label, { sources: { ...plan.sources, ...change } });
  return [
    ...(arrays.length > 0 ? [sources('no-sun', 'The same without sun', { arrays: [] })] : []),
    ...(generator ? [sources('no-generator', 'The same without generator', { generator: null })] : []),
    ...(household === 'saving'
      ? [conditions('usual', 'A household that lives as usual', { household: 'usual' })]
      : []),
    conditions('half-full', 'A battery half full', { startCharge: 0.5 }),
    ...helpfulChanges(plan, study.parts, catalogue).map(({ id, title, plan: other, parts }) => ({
      id,
      label: title,
      study: { ...study, plan: other, parts },
    })),
  ];
}
