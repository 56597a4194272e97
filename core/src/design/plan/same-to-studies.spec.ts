import { expect, it } from 'vitest';
import { emptyPlan } from './empty-plan.js';
import { sameToStudies, studiedPart } from './same-to-studies.js';
import { settlePlan } from './settle-plan.js';

const plan = settlePlan(emptyPlan());

it('a photo, a party and an open point change nothing that is studied; everything else may', () => {
  const photo = {
    id: 'p',
    digest: '0'.repeat(64),
    aboutId: 'gone',
    subject: 'wall' as const,
    caption: '',
    takenOn: null,
    widthPx: 1,
    heightPx: 1,
  };
  const settled = settlePlan({ ...plan, photos: [photo] });
  expect(settled.photos).toEqual([{ ...photo, aboutId: null }]);
  expect(sameToStudies(plan, settled)).toBe(true);
  expect(sameToStudies(plan, { ...plan, parties: { ...plan.parties, client: 'Somebody' } })).toBe(true);
  for (const slice of Object.keys(studiedPart(plan)))
    expect(sameToStudies(plan, { ...plan, [slice]: structuredClone(plan[slice as keyof typeof plan]) })).toBe(
      false,
    );
  expect(sameToStudies(null, plan)).toBe(false);
});
