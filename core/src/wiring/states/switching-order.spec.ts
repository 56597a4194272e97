import { describe, expect, it } from 'vitest';
import { demoPlans, islandWiring, type Plan } from '../../design/index.js';
import { networkOf } from '../graph/network-of.js';
import { safetyOf } from '../safety-of.js';
import { walkedHazards } from '../testing/brute-standings.js';
import { aWiredHouse, device, wired, withGenerator } from '../testing/wired.js';
import { situationsOf, type Standing } from './switch-network.js';

const bypassed = (bypass: 'interlocked' | 'separate'): Plan => {
  const plan = aWiredHouse();
  return {
    ...plan,
    wiring: {
      ...plan.wiring,
      islands: [{ ...islandWiring({ islands: [] }, 's'), joins: 'enclosure', bypass }],
    },
  };
};
const houses: readonly (readonly [string, Plan])[] = [
  ...demoPlans.map(({ name, plan }) => [name, plan] as const),
  ['a whole house', aWiredHouse()],
  ['an inlet', withGenerator(aWiredHouse({ between: [device('generator-inlet', 30)] }))],
  ['a bypass', bypassed('interlocked')],
];

describe.each(houses)('the order of switching in %s', (_, plan) => {
  const design = wired(plan);
  const network = networkOf(design.graph);
  const safety = safetyOf(plan, design);
  const usual = Object.fromEntries(network.handles.map(({ id, positions }) => [id, positions[0] as string]));
  const dangers = (standing: Readonly<Record<string, string>>): Set<string> =>
    new Set(
      situationsOf(network).flatMap((situation) =>
        walkedHazards(network, standing, situation).map(
          ({ kind, concerns }) => `${JSON.stringify(situation)} ${kind} ${concerns.join(' ')}`,
        ),
      ),
    );
  const walked = (from: Readonly<Record<string, string>>, moves: readonly Standing[]) => {
    const steps = [from];
    for (const { handle, position } of moves) steps.push({ ...steps.at(-1)!, [handle]: position });
    return steps;
  };

  // The second implementation of the state check judges every step.
  it('brings no danger at any step, there and back', () => {
    const orders = [...safety.isolation.flatMap(({ order }) => order ?? []), ...safety.bypasses];
    expect(orders.length).toBeGreaterThan(0);
    for (const { there, back } of orders) {
      if (!there || !back) continue;
      const steps = walked(usual, there);
      const end = steps.at(-1)!;
      const home = walked(end, back);
      expect(home.at(-1)).toEqual(usual);
      const allowed = new Set([...dangers(usual), ...dangers(end)]);
      for (const step of [...steps, ...home])
        for (const danger of dangers(step)) expect(allowed.has(danger), danger).toBe(true);
    }
  });

  it('is there for everything that can be made dead', () => {
    for (const { moved, order } of safety.isolation)
      if (moved && moved.length > 0) expect(order?.there?.length).toBe(moved.length);
  });
});

it('a bypass is reached with the inverters open, and left the other way round', () => {
  const plan = bypassed('interlocked');
  const [bypass] = safetyOf(plan, wired(plan)).bypasses;
  const handles = bypass!.there!.map(({ handle }) => handle);
  expect(handles.at(-1)).toMatch(/^bypass/);
  expect(handles.length).toBeGreaterThan(1);
  expect(bypass!.back!.map(({ handle }) => handle)).toEqual(handles.toReversed());
});
