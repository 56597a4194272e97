import { sameBut } from '../../base/index.js';
import { heatOf } from '../placement/heat-of.js';
import type { Plan } from './plan.js';

/**
 * Slices that no study of the outage reads: pictures, who the parties are, what is still to be found out, what its logbook says, how it is wired, and, but for the heat where the units are, which wall they hang on.
 */
const aside = [
  'photos',
  'parties',
  'course',
  'commissioning',
  'logbook',
  'openPoints',
  'wiring',
  'lot',
  'placement',
] as const satisfies readonly (keyof Plan)[];
type Aside = (typeof aside)[number];

/** The plan without what no study reads. */
export function studiedPart(plan: Plan): Omit<Plan, Aside> & { readonly heat: readonly unknown[] } {
  const {
    photos: _photos,
    parties: _parties,
    course: _course,
    commissioning: _commissioning,
    logbook: _logbook,
    openPoints: _openPoints,
    wiring: _wiring,
    lot: _lot,
    placement: _placement,
    ...studied
  } = plan;
  return { ...studied, heat: heatOf(plan) };
}

const sameHeat = (one: Plan, other: Plan): boolean =>
  (one.lot === other.lot && one.placement === other.placement) ||
  JSON.stringify(heatOf(one)) === JSON.stringify(heatOf(other));

/** Whether every study says the same of two versions of a plan: all they read is the same, slice by slice. */
export const sameToStudies = (one: Plan | null, other: Plan | null): boolean =>
  one === other || (one !== null && other !== null && sameBut(one, other, aside) && sameHeat(one, other));
