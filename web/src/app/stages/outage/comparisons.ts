import type { Catalogue } from '@levamen/core/equipment';
import type { Scenario } from '@levamen/core/design';
import { helpfulChanges, type OutageStudy } from '@levamen/core/study';

/** Something an outage can be compared with. */
export interface Comparison {
  readonly id: string;
  readonly label: string;
  readonly study: OutageStudy;
}

/** What an outage can be compared with, as the job stands: conditions taken away, and every change that may help. */
export function comparisonsOf(study: OutageStudy, catalogue: Catalogue): Comparison[] {
  const { plan } = study;
  const { arrays, generator, household } = plan.outage;
  const conditions = (id: string, label: string, changed: Partial<Scenario>): Comparison => ({
    id,
    label,
    study: { ...study, plan: { ...plan, outage: { ...plan.outage, ...changed } } },
  });
  return [
    ...(arrays.length > 0 ? [conditions('no-sun', 'The same without sun', { arrays: [] })] : []),
    ...(generator ? [conditions('no-generator', 'The same without generator', { generator: null })] : []),
    ...(household === 'saving'
      ? [conditions('usual', 'A household that lives as usual', { household: 'usual' })]
      : []),
    conditions('half-full', 'A battery half full', { startCharge: 0.5 }),
    ...helpfulChanges(plan, study.parts, catalogue).map(({ id, title, plan: changed, parts }) => ({
      id,
      label: title,
      study: { ...study, plan: changed, parts },
    })),
  ];
}
