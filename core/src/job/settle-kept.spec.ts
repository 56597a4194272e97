import { expect, it } from 'vitest';
import { chooseFor, islandsOf } from '../design/index.js';
import { clover, cloverPack, companyItems } from '../equipment/testing/company-items.js';
import { demoJobs } from './demo-jobs.js';
import { copyDesign } from './designs.js';
import { changePlan, planOf, settleJob } from './plan-of.js';
import { readJob } from './read-job.js';
import { keepUsedItems } from './settle-kept.js';

const { job } = demoJobs[0]!;
const island = islandsOf(planOf(job))[0]!;
const parts = [
  { unitId: clover.id, quantity: 2 },
  { unitId: cloverPack.id, quantity: 1 },
];
const using = keepUsedItems(
  changePlan(job, (plan) => chooseFor(plan, island, parts)),
  companyItems,
);

it('a job keeps the items its designs use, and none of the sample line', () => {
  expect(keepUsedItems(job, companyItems)).toBe(job);
  expect(using.equipmentList.kept).toEqual([clover, cloverPack]);
  expect(readJob(JSON.parse(JSON.stringify(using)))).toEqual({ ok: true, job: using });
});

it('what it keeps stays as it was, whatever the list says now', () => {
  const heavier = companyItems.map((item) => ({ ...item, massKg: 1 }));
  expect(keepUsedItems(using, heavier)).toBe(using);
});

it('an item goes with the last design that uses it', () => {
  const two = copyDesign(using, 'design', 'second');
  const one = settleJob(changePlan(two, (plan) => chooseFor(plan, island, null)));
  expect(one.equipmentList.kept).toEqual([clover, cloverPack]);
  const none = settleJob(changePlan(one, (plan) => chooseFor(plan, island, null), 'second'));
  expect(none.equipmentList.kept).toEqual([]);
});
