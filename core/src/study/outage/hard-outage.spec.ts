import { expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, keepOnly, type Plan, settingsOf } from '../../design/index.js';
import { comfortServed } from './comfort-served.js';
import { hardOutage } from './hard-outage.js';
import { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playOutage } from './play-outage.js';
import { runtimeQuestion } from './runtime-question.js';
import { yearObjectives } from './year-objectives.js';

const { plan: farm } = demoPlans[0]!;
const study: OutageStudy = {
  plan: farm,
  islandId: 'farm',
  parts: farm.equipment.stacks[0]!.parts,
  weather: null,
};
const kept = new KeptYear(farm.outage.seed);

it('the hard outage lasts as long as 19 of 20 do', () => {
  const from = hardOutage(study, builtInCatalogue, kept)!;
  const [hoursH] = yearObjectives(study, builtInCatalogue, kept)!;
  const year = studyYear(runtimeQuestion(study).study, builtInCatalogue, kept.seed, kept)!;
  const { survivedMin } = playOutage(year, from, Math.ceil(hoursH * 60) + 600);
  expect(survivedMin / 60).toBeCloseTo(hoursH, 1);
});

it('comfort served is less where circuits of comfort are left off, and nothing where none are backed up', () => {
  const now = comfortServed(study, builtInCatalogue, kept)!;
  expect(now).toBeGreaterThan(0);
  expect(now).toBeLessThan(1);
  const bare = keepOnly(
    farm,
    farm.loads.filter(({ tier }) => tier === 'must').map(({ id }) => id),
  );
  expect(comfortServed({ ...study, plan: bare }, builtInCatalogue, kept)).toBeLessThan(now);
  const saving: Plan = { ...farm, outage: { ...farm.outage, household: 'saving' } };
  expect(comfortServed({ ...study, plan: saving }, builtInCatalogue, kept)).toBeLessThan(now);
  const musts: Plan = { ...farm, loads: farm.loads.map((load) => ({ ...load, tier: 'must' as const })) };
  expect(comfortServed({ ...study, plan: musts }, builtInCatalogue, kept)).toBeNull();
  expect(settingsOf(farm).requiredRuntimeH.value).toBe(28);
});
