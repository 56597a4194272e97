import * as z from 'zod';
import { field, idSchema, lineSchema, nameSchema, noteSchema } from '../../base/index.js';

/** Where a job stands, in the order of its course. */
export const courseStates = {
  enquiry: 'Enquiry',
  proposed: 'Proposal given',
  accepted: 'Accepted by the household',
  approved: 'Approved by the licence holder',
  submitted: 'Permit applied for',
  permitted: 'Permit granted',
  installed: 'Installed',
  inspected: 'Inspected',
  commissioned: 'Commissioned',
  operating: 'Permission to operate',
} as const;
export type CourseState = keyof typeof courseStates;
export const courseStateNames = Object.keys(courseStates) as [CourseState, ...CourseState[]];

const day = () => z.iso.date('Write the day as 2026-02-28');

/** That a job has reached a state, when, and who stands for it. */
export const courseStepSchema = z.strictObject({
  /** A state is reached once: it names the step. */
  id: z.enum(courseStateNames, { error: 'Choose a state' }),
  on: field(day().nullable(), { label: 'On' }),
  /** Of an approval: the licence holder, with the licence. */
  by: field(lineSchema(120), { label: 'By' }),
  note: field(lineSchema(300), { label: 'Note' }),
});
export type CourseStep = z.infer<typeof courseStepSchema>;

/** What a reviewer asks for, and what was answered. */
export const reviewCommentSchema = z.strictObject({
  id: idSchema,
  from: field(lineSchema(120), { label: 'From', hint: 'authority, utility, inspector' }),
  on: field(day().nullable(), { label: 'On' }),
  text: field(nameSchema(600), { label: 'Comment', rows: 2 }),
  answer: field(noteSchema(600), { label: 'Answer', rows: 2 }),
  answeredOn: field(day().nullable(), { label: 'Answered on' }),
});
export type ReviewComment = z.infer<typeof reviewCommentSchema>;

/** The course of a job, from the enquiry to the permission to operate. */
export const courseSchema = z.strictObject({
  steps: z.array(courseStepSchema).max(courseStateNames.length, 'A state is reached once'),
  comments: z.array(reviewCommentSchema).max(100, 'A job holds at most 100 comments of reviewers'),
});
export type Course = z.infer<typeof courseSchema>;

/** Of a job that has just begun. */
export const emptyCourse = (): Course => ({ steps: [], comments: [] });

/** What is said of a state; nothing while it is not reached. */
export const courseStep = ({ steps }: Course, state: CourseState): CourseStep =>
  steps.find(({ id }) => id === state) ?? { id: state, on: null, by: '', note: '' };

/** The course with something else said of a state; a state of which nothing is said is not reached. */
export function sayOfState(
  course: Course,
  state: CourseState,
  change: Partial<Omit<CourseStep, 'id'>>,
): Course {
  const step = { ...courseStep(course, state), ...change };
  const isSaid = step.on !== null || step.by !== '' || step.note !== '';
  const others = course.steps.filter(({ id }) => id !== state);
  const steps = isSaid ? [...others, step] : others;
  return {
    ...course,
    steps: steps.toSorted((a, b) => courseStateNames.indexOf(a.id) - courseStateNames.indexOf(b.id)),
  };
}

/** The last state that was reached, by its date; null = none was. */
export function stateOfCourse({ steps }: Course): CourseState | null {
  const reached = steps.filter(({ on }) => on !== null);
  return reached.at(-1)?.id ?? null;
}
