import type { Figure } from '../../base/index.js';
import type { Chemistry } from '../../electric/index.js';
import { emptySurvey } from '../../house/index.js';
import { restLoad } from '../../house/details.js';
import { addLoads, emptyPlan, type Plan } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { requiredNameplateFigure } from '../margins/requirement.js';

/**
 * Battery that would carry all that is billed over the required runtime: the first size, before any load is known.
 *
 * @returns null where there are no bills
 */
export function firstSize(plan: Plan): Readonly<Record<Chemistry, Figure>> | null {
  if (plan.usage.bills.length === 0) return null;
  const bare = { ...plan, survey: emptySurvey(), backup: emptyPlan().backup, loads: [] };
  const context = demandContextOf(addLoads(bare, [restLoad('rest', bare)], 0));
  return {
    lithium: requiredNameplateFigure(context, 'lithium'),
    'lead-acid': requiredNameplateFigure(context, 'lead-acid'),
  };
}
