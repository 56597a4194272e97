import type { CourseState } from './course.schema.js';

/** Whom, or for what, a job waits that has reached a state last; "none" = it has reached none yet. */
export const waitsFor: Readonly<Record<CourseState | 'none', string>> = {
  none: 'us: a visit',
  enquiry: 'us: a proposal',
  proposed: 'the household',
  accepted: 'the licence holder',
  approved: 'us: the permit',
  submitted: 'the authority',
  permitted: 'us: the installation',
  installed: 'the inspector',
  inspected: 'us: commissioning',
  commissioned: 'the utility',
  operating: 'nobody',
};
