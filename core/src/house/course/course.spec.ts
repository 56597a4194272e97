import { describe, expect, it } from 'vitest';
import { courseSchema, courseStep, emptyCourse, sayOfState, stateOfCourse } from './course.schema.js';

describe('the course of a job', () => {
  it('stands where its last dated state is, in whatever order states are said', () => {
    const permitted = sayOfState(emptyCourse(), 'permitted', { on: '2026-03-02' });
    const both = sayOfState(permitted, 'enquiry', { on: '2026-01-10' });
    expect(both.steps.map(({ id }) => id)).toEqual(['enquiry', 'permitted']);
    expect(stateOfCourse(both)).toBe('permitted');
    expect(courseSchema.parse(both)).toEqual(both);
  });
  it('names who stands for an approval before its date is known', () => {
    const course = sayOfState(emptyCourse(), 'approved', { by: 'J. Marlow, EC-20417' });
    expect(stateOfCourse(course)).toBeNull();
    expect(courseStep(course, 'approved').by).toBe('J. Marlow, EC-20417');
  });
  it('forgets a state of which nothing is said any more', () => {
    const once = sayOfState(emptyCourse(), 'enquiry', { on: '2026-01-10' });
    expect(sayOfState(once, 'enquiry', { on: null })).toEqual(emptyCourse());
  });
});
