import { sameValue } from '../base/index.js';
import type { Job } from './job.schema.js';

/** What a survey brings home: the house as it is, and what is asked about it. */
const surveyed: ReadonlySet<string> = new Set([
  'name',
  'site',
  'parties',
  'supply',
  'survey',
  'lot',
  'usage',
  'loads',
  'photos',
  'openPoints',
  'commissioning',
]);
/** Of a design: it follows the house, so that a load that is gone is gone from its circuits. */
const follows: ReadonlySet<string> = new Set(['backup', 'wiring', 'placement']);

const names: Readonly<Record<string, string>> = {
  brief: 'the brief',
  outage: 'the conditions of an outage',
  tariffs: 'the tariffs',
  finance: 'what is reckoned with',
  existingUnits: 'the units that are there',
  equipmentList: 'the list of equipment',
  code: 'the rules',
  sources: 'the sources',
  equipment: 'the units',
  dailyUse: 'the daily use',
  course: 'the course of the job',
  logbook: 'the logbook',
  designs: 'the designs',
};

/** Parts of a job that are not the same in two of its states, though a survey has nothing to say of them; in words. */
export function beyondSurvey(before: Job, after: Job): string[] {
  const own = Object.keys(after).filter((key) => {
    if (key === 'designs' || surveyed.has(key)) return false;
    // Items that a design comes to use are kept with the job by themselves.
    if (key === 'equipmentList')
      return !sameValue({ ...before.equipmentList, kept: [] }, { ...after.equipmentList, kept: [] });
    return !sameValue(before[key as keyof Job], after[key as keyof Job]);
  });
  const known = new Map(before.designs.map((design) => [design.id, design]));
  const ofDesigns = after.designs.flatMap((design) => {
    const was = known.get(design.id);
    if (!was) return ['designs'];
    return Object.keys(design).filter(
      (key) =>
        !follows.has(key) && !sameValue(was[key as keyof typeof was], design[key as keyof typeof design]),
    );
  });
  const fewer = before.designs.length > after.designs.length ? ['designs'] : [];
  return [...new Set([...own, ...ofDesigns, ...fewer])].map((key) => names[key] ?? key);
}
