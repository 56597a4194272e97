import { sameBut } from '../../base/index.js';
import type { Plan } from './plan.js';

/** Slices that no study of the outage reads: pictures, who the parties are, what is still to be found out, and how it is wired. */
const aside = ['photos', 'parties', 'openPoints', 'wiring'] as const satisfies readonly (keyof Plan)[];
type Aside = (typeof aside)[number];

/** The plan without what no study reads. */
export function studiedPart(plan: Plan): Omit<Plan, Aside> {
  const { photos: _photos, parties: _parties, openPoints: _openPoints, wiring: _wiring, ...studied } = plan;
  return studied;
}

/** Whether every study says the same of two versions of a plan: all they read is the same, slice by slice. */
export const sameToStudies = (one: Plan | null, other: Plan | null): boolean =>
  one === other || (one !== null && other !== null && sameBut(one, other, aside));
