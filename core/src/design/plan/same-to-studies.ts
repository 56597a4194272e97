import type { Plan } from './plan.js';

/** Slices that no study reads: pictures, who the parties are, and what is still to be found out. */
type Aside = 'photos' | 'parties' | 'openPoints';

/** The plan without what no study reads. */
export function studiedPart(plan: Plan): Omit<Plan, Aside> {
  const { photos: _photos, parties: _parties, openPoints: _openPoints, ...studied } = plan;
  return studied;
}

/** Whether every study says the same of two versions of a plan: all they read is the same, slice by slice. */
export function sameToStudies(one: Plan | null, other: Plan | null): boolean {
  if (one === other) return true;
  if (!one || !other) return false;
  const before = studiedPart(one);
  return Object.entries(studiedPart(other)).every(
    ([slice, value]) => before[slice as keyof typeof before] === value,
  );
}
