import { stateOfCourse } from '@levamen/core/house';
import type { Job } from '@levamen/core/job';
import { dueDates } from '@levamen/core/logbook';
import type { JobRow } from '../store/entities.js';

/** What the list shows is read from documents as this version says; rows of an earlier one are read anew. */
export const columnsVersion = 1;

/** What the list of jobs shows of a document. */
export function columnsOf({
  name,
  site,
  loads,
  logbook,
  course,
  commissioning,
}: Job): Pick<JobRow, 'name' | 'place' | 'loadCount' | 'dueOn' | 'dueText' | 'state' | 'columnsVersion'> {
  const [due] = dueDates(logbook, commissioning.punch);
  return {
    name,
    place: site.place,
    loadCount: loads.length,
    dueOn: due?.on ?? null,
    dueText: due?.text ?? '',
    state: stateOfCourse(course) ?? '',
    columnsVersion,
  };
}
