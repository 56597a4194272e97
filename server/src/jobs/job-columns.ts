import { stateOfCourse } from '@levamen/core/house';
import type { Job } from '@levamen/core/job';
import { dueDates } from '@levamen/core/logbook';
import type { JobRow } from '../store/entities.js';

/** What the list shows is read from documents as this version says; rows of an earlier one are read anew. */
export const columnsVersion = 2;
/** What is due later than these is seen once they are done. */
const mostDues = 40;

/** As a text is looked for: whether its letters are large or small makes no difference. */
export const soughtText = (text: string): string => text.toLowerCase();

/** What the list of jobs shows of a document. */
export function columnsOf({
  name,
  site,
  loads,
  logbook,
  course,
  commissioning,
}: Job): Pick<
  JobRow,
  'name' | 'place' | 'sought' | 'loadCount' | 'dueOn' | 'dueText' | 'dues' | 'state' | 'columnsVersion'
> {
  const dues = dueDates(logbook, commissioning.punch);
  const [due] = dues;
  return {
    name,
    place: site.place,
    sought: soughtText(`${name}\n${site.place}`),
    loadCount: loads.length,
    dueOn: due?.on ?? null,
    dueText: due?.text ?? '',
    dues: dues.slice(0, mostDues).map(({ kind, on, text }) => ({ kind, on, text })),
    state: stateOfCourse(course) ?? '',
    columnsVersion,
  };
}
