import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, emptyPlan, type Plan, planProblems } from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { listPoints, movementText, sayOfPoint } from './listed-points.js';
import { byImportance, movementOf, openPoints } from './open-points.js';

const farm = demoPlans[0]!.plan;
const listOf = (plan: Plan) => listPoints(openPoints(plan), plan.openPoints, new Map());
const pointOf = (plan: Plan, key: string) => openPoints(plan).find((point) => point.key === key);

describe('open points', () => {
  it('names each point once, also of a house about which nothing is known', () => {
    for (const plan of [farm, demoPlans[1]!.plan, emptyPlan()]) {
      const keys = openPoints(plan).map(({ key }) => key);
      expect(new Set(keys).size).toBe(keys.length);
      for (const { others } of openPoints(plan))
        for (const other of others) expect(planProblems(other)).toEqual([]);
    }
    expect(pointOf(emptyPlan(), 'survey')).toBeDefined();
  });

  it('a point is closed by saying it', () => {
    const asked = { ...farm, brief: { ...farm.brief, requiredRuntimeH: null } };
    expect(pointOf(asked, 'brief.requiredRuntimeH')).toBeDefined();
    expect(pointOf(farm, 'brief.requiredRuntimeH')).toBeUndefined();
  });

  it('the runtime that is asked for moves its margin in proportion', () => {
    const plan = { ...farm, brief: { ...farm.brief, requiredRuntimeH: null } };
    const evaluation = evaluatePlan(plan, builtInCatalogue);
    const movement = movementOf(pointOf(plan, 'brief.requiredRuntimeH')!, evaluation)!;
    const runtime = evaluation.margins.find(({ key }) => key === 'runtime')!;
    expect(movement.label).toBe(runtime.label);
    expect(movement.from).toBe(runtime.ratio);
    expect(movement.to / movement.from).toBeCloseTo(movement.to > movement.from ? 2 : 0.5, 6);
  });

  it('what decides comes first, what no margin tells of last', () => {
    const decides = { label: 'Runtime', from: 0.99, to: 1.01, decides: true };
    const moves = { label: 'Runtime', from: 0.2, to: 0.9, decides: false };
    expect([null, moves, decides].toSorted(byImportance)).toEqual([decides, moves, null]);
    expect(movementText(decides)).toBe('decides: Runtime takes 99 % of its limit, and might take 101 %');
    expect(movementText({ ...moves, to: 0.2 })).toContain('moves no margin');
  });

  it('keeps who finds it out, by when, and that it is settled', () => {
    const [first] = listOf(farm);
    const said = sayOfPoint(farm, first!, { who: 'Rowan', dueOn: '2026-12-01' }, 'p1');
    const again = sayOfPoint(said, listOf(said)[0]!, { done: true }, 'p2');
    expect(again.openPoints).toEqual([
      { id: 'p1', about: first!.key, text: first!.text, who: 'Rowan', dueOn: '2026-12-01', done: true },
    ]);
    expect(listOf(again).at(-1)).toMatchObject({ key: first!.key, who: 'Rowan', done: true });
  });

  it('keeps what somebody typed', () => {
    const own = { id: 'mine', about: '', text: 'Dog?', who: '', dueOn: null, done: false };
    const plan = { ...farm, openPoints: [own] };
    const listed = listOf(plan).find(({ ownId }) => ownId === 'mine')!;
    expect(listed.text).toBe('Dog?');
    expect(sayOfPoint(plan, listed, { text: 'Dog!' }, 'x').openPoints).toEqual([{ ...own, text: 'Dog!' }]);
  });
});
