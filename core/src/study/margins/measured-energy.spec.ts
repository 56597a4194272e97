import { expect, it } from 'vitest';
import { chosenFor, demoPlans, islandsOf, takeMeasured } from '../../design/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { hardwareOf } from '../outage/outage-plan.js';
import { studyYear } from '../outage/outage-study.js';

const { plan } = demoPlans[0]!;
const island = islandsOf(plan)[0]!;
const measured = {
  recordingId: '3f2504e0-4f89-41d3-9a0c-0305e82c3301',
  at: '2026-11-29T10:00:00Z',
  usableTimes: 0.9,
  standbyW: 120,
  dischargeTimes: 1,
  chargeTimes: 1,
};
const found = takeMeasured(plan, island.id, measured);

it('the selected stack, its like in the table, its margins and the simulation count with what was measured', () => {
  const bare = evaluatePlan(plan, builtInCatalogue);
  const after = evaluatePlan(found, builtInCatalogue);
  expect(after.selected!.energy.usableWh).toBeCloseTo(0.9 * bare.selected!.energy.usableWh, 6);
  expect(after.selected!.stack.standbyW).toBe(120);
  const like = after.judged.find(({ stack }) => stack.name === after.selected!.stack.name)!;
  expect(like.energy).toEqual(after.selected!.energy);
  // The health is that of its age, not of what was measured.
  expect(after.selected!.energy.stateOfHealth).toBeCloseTo(bare.selected!.energy.stateOfHealth, 12);
  const year = studyYear(
    { plan: found, islandId: island.id, parts: chosenFor(plan, island)!, weather: null },
    builtInCatalogue,
  )!;
  expect(year.hardware.usableWh).toBeCloseTo(after.selected!.energy.usableWh, 9);
  expect(hardwareOf(year.context, year.stack).standbyW).toBe(120);
});

it('the working of the usable energy names it and comes to the same', () => {
  const runtime = evaluatePlan(found, builtInCatalogue).margins.find(({ key }) => key === 'runtime')!;
  const text = JSON.stringify(runtime.limit);
  expect(text).toContain('Measured over predicted');
  expect(text).toContain('"kind":"measured"');
});
