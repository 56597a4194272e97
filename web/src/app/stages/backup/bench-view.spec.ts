import { builtInCatalogue } from '@levamen/core/equipment';
import { benchItems, demoPlans, moveToLane, type Plan } from '@levamen/core/design';
import { evaluatePlan, withRuntimes } from '@levamen/core/study';
import { itemEffects, KeptYear, runtimeOutlook, withShifts } from '@levamen/core/study/details';

import { describe, expect, it } from 'vitest';
import { benchView } from './bench-view';

const view = (plan: Plan) => {
  const { island, context, selected } = evaluatePlan(plan, builtInCatalogue);
  const items = benchItems(plan, island!);
  return benchView(items, itemEffects(context, selected, items), plan.supply.system);
};
const farm = demoPlans[0]!.plan;
const vineyard = demoPlans[1]!.plan;
const rowOf = (plan: Plan, id: string) =>
  view(plan)
    .flatMap(({ rows }) => rows)
    .find(({ item }) => item.id === id)!;

describe('the bench', () => {
  it('holds every circuit once, in its lane, with sums', () => {
    const lanes = view(farm);
    expect(lanes.map(({ lane, rows }) => [lane, rows.length])).toEqual([
      ['on', 13],
      ['auto', 0],
      ['hand', 0],
      ['dark', 12],
    ]);
    const ids = lanes.flatMap(({ rows }) => rows.map(({ item }) => item.id));
    expect(new Set(ids).size).toBe(ids.length);
    expect(lanes[0]!.sums).toMatch(/^17\.6.kWh a day/);
    expect(lanes[1]!.sums).toBe('');
  });

  it('says beside each circuit what it costs and whose limit it breaks, in words', () => {
    const counter = rowOf(farm, 'cellar-5');
    expect(counter).toMatchObject({ limits: 'starting', limitsKind: 'breaks', legs: 'L1' });
    expect(counter.label).toMatch(/stays on, should and may, .* costs ≈ 1\.1.h of runtime, breaks starting$/);
    const range = rowOf(farm, 'cellar-2');
    // Of the runtime nothing is said before it is simulated.
    expect(range).toMatchObject({ limitsKind: 'would-break', limits: 'power, legs' });
    expect(range.label).toContain('would break continuous power, leg split');
  });

  it('says without "≈" what is simulated, and whose runtime it would break', () => {
    const evaluation = evaluatePlan(farm, builtInCatalogue);
    const parts = evaluation.selected!.stack.parts;
    const study = { plan: farm, islandId: '', parts, weather: null };
    const outlook = runtimeOutlook(study, builtInCatalogue, [new KeptYear(1)])!;
    const outlooks = new Map([[evaluation.selected!.stack.name, outlook]]);
    const { selected, context, island } = withRuntimes(evaluation, { outlooks, found: null });
    const items = benchItems(farm, island!);
    const shifts = new Map(items.map(({ id }) => [id, id === 'cellar-2' ? -20 : 1.5]));
    const effects = withShifts(itemEffects(context, selected, items), context, selected, items, shifts);
    const rows = benchView(items, effects, farm.supply.system).flatMap((lane) => lane.rows);
    expect(rows.find(({ item }) => item.id === 'cellar-5')!.hours).toMatch(/^−1\.5/);
    expect(rows.find(({ item }) => item.id === 'cellar-2')!.limits).toBe('runtime, power, legs');
  });

  it('puts loads without a circuit on the bench too', () => {
    expect(rowOf(vineyard, 'booster-pump').place).toBe('on no circuit');
  });

  it('lists what is shed in the order in which it is', () => {
    const shed = view(vineyard).find(({ lane }) => lane === 'auto')!;
    expect(shed.rows.map((row) => row.shed)).toEqual([
      'whole outage',
      'whole outage',
      'whole outage',
      'whole outage',
      expect.stringMatching(/^2\. below 70/),
      '3. no room',
    ]);
  });

  it('counts hours the other way in the dark', () => {
    const dark = moveToLane(farm, { circuitIds: ['cellar-9'], loadIds: [] }, 'dark');
    expect(rowOf(farm, 'cellar-9').hours).toMatch(/^≈ −7\.5/);
    expect(rowOf(dark, 'cellar-9').hours).toMatch(/^\(≈ \d/);
  });
});
