import { expect, it } from 'vitest';
import { emptyPlan } from './empty-plan.js';
import { newWall } from '../../house/index.js';
import { put } from '../placement/placement.schema.js';
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
  for (const slice of Object.keys(studiedPart(plan)).filter((key) => key !== 'heat'))
    expect(sameToStudies(plan, { ...plan, [slice]: structuredClone(plan[slice as keyof typeof plan]) })).toBe(
      false,
    );
  expect(sameToStudies(null, plan)).toBe(false);
});

it('where along a wall a unit hangs changes nothing that is studied; which wall, how warm and how sunny it is there, does', () => {
  const wall = { ...newWall('a', 'A', 4, 2.5), facingDeg: 180 };
  const on = (wallId: string, leftM: number, walls = [wall, { ...wall, id: 'b', facingDeg: 0 }]) => ({
    ...plan,
    lot: { ...plan.lot, walls },
    placement: put(plan.placement, [{ thingId: 'unit:house:x:1', wallId, leftM, bottomM: 0 }]),
  });
  expect(sameToStudies(on('a', 0), on('a', 1))).toBe(true);
  expect(sameToStudies(plan, on('a', 0))).toBe(false);
  expect(sameToStudies(on('a', 0), on('b', 0))).toBe(false);
  expect(sameToStudies(on('a', 0), on('a', 0, [{ ...wall, place: 'attached-garage' }]))).toBe(false);
  expect(studiedPart(on('a', 0)).heat).toEqual(studiedPart(on('a', 1)).heat);
});
