import { expect, it } from 'vitest';
import { keepOnly } from '../design/index.js';
import { builtInCatalogue } from '../equipment/index.js';
import { evaluatePlan } from '../study/index.js';
import { demoJobs } from './demo-jobs.js';
import { chooseDesign, copyDesign, removeDesign, renameDesign } from './designs.js';
import { diffJobs } from './diff-jobs.js';
import { maxDesigns } from './job.schema.js';
import { mergeJobs } from './merge/merge-jobs.js';
import { changePlan, planOf, settleJob } from './plan-of.js';
import { readJob } from './read-job.js';

const { job } = demoJobs[0]!;
const two = copyDesign(job, 'design', 'second');
const bare = (from = two) => changePlan(from, (plan) => keepOnly(plan, []), 'second');

it('a copy says the same until it is changed, and the first stays as it was', () => {
  expect(two.designs.map(({ name }) => name)).toEqual(['Design', 'Design (2)']);
  expect(planOf(two, 'second')).toEqual(planOf(job));
  expect(planOf(bare())).toEqual(planOf(job));
  expect(evaluatePlan(planOf(bare(), 'second'), builtInCatalogue).context.backupSet).toEqual([]);
  expect(readJob(JSON.parse(JSON.stringify(bare())))).toEqual({ ok: true, job: bare() });
});

it('the survey is shared: a load that goes, goes from every design', () => {
  const [load] = job.loads;
  const without = settleJob(
    changePlan(two, (plan) => ({ ...plan, loads: plan.loads.filter(({ id }) => id !== load!.id) })),
  );
  for (const { backup } of without.designs)
    expect(backup.kept.some(({ loadId }) => loadId === load!.id)).toBe(false);
});

it('one is chosen, and it can be renamed and removed; the last one stays', () => {
  const chosen = chooseDesign(two, 'second');
  expect(planOf(bare(chosen)).backup.kept).toEqual([]);
  const removed = removeDesign(chosen, 'second');
  expect(removed).toEqual(job);
  expect(removeDesign(job, 'design')).toBe(job);
  expect(renameDesign(two, 'second', 'On batteries alone').designs[1]!.name).toBe('On batteries alone');
  expect(chooseDesign(two, 'nothing').chosenDesignId).toBe('design');
});

it('there are no more than may be', () => {
  let many = job;
  for (let n = 0; n < 2 * maxDesigns; n += 1) many = copyDesign(many, 'design', `d${n}`);
  expect(many.designs).toHaveLength(maxDesigns);
  expect(new Set(many.designs.map(({ name }) => name)).size).toBe(maxDesigns);
  expect(readJob(many).ok).toBe(true);
});

it('what is wrong with designs is said: two of one identifier, none chosen', () => {
  const [design] = job.designs;
  expect(readJob({ ...job, designs: [design, design] })).toMatchObject({ ok: false });
  expect(readJob({ ...job, chosenDesignId: 'none' })).toMatchObject({
    ok: false,
    problems: [{ path: 'chosenDesignId' }],
  });
});

it('differences are named by their design, and edits of two designs merge', () => {
  expect(diffJobs(two, bare()).every(({ label }) => label.startsWith('Design (2) › '))).toBe(true);
  const mine = bare();
  const theirs = changePlan(two, (plan) => ({
    ...plan,
    backup: { ...plan.backup, shouldWorth: 7 },
  }));
  const merged = mergeJobs(two, mine, theirs);
  expect(merged.questions).toEqual([]);
  expect(merged.job.designs[0]!.backup.shouldWorth).toBe(7);
  expect(merged.job.designs[1]!.backup.kept).toEqual([]);
});

it('what the house has already is the same in every design; what is new is of one', () => {
  const roof = (id: string, existing: boolean) => ({
    ...job.designs[0]!.sources.arrays[0]!,
    id,
    name: id,
    existing,
  });
  const arraysOf = (of: typeof job, design: string) =>
    planOf(of, design).sources.arrays.map(({ id, existing, ratedW }) => [id, existing, ratedW] as const);
  const withArrays = (arrays: ReturnType<typeof roof>[], of = two) =>
    changePlan(of, (plan) => ({ ...plan, sources: { ...plan.sources, arrays } }), 'second');
  const first = withArrays([roof('old', true), roof('new', false)]);
  // The first design keeps its own new array, and has what the house has.
  expect(arraysOf(first, 'design').map(([id, existing]) => [id, existing])).toEqual([
    ['old', true],
    ['porch-roof', false],
  ]);
  const larger = withArrays([{ ...roof('old', true), ratedW: 9999 }, roof('new', false)], first);
  expect(arraysOf(larger, 'design')[0]).toEqual(['old', true, 9999]);
  // No longer there already: new here and there; gone from the house: gone from every design.
  const turned = withArrays([roof('old', false)], first);
  expect(arraysOf(turned, 'design').map(([id, existing]) => [id, existing])).toEqual([
    ['old', false],
    ['porch-roof', false],
  ]);
  expect(arraysOf(withArrays([], first), 'design').map(([id]) => id)).toEqual(['porch-roof']);
});
