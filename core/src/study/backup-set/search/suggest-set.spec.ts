import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assembleStack, builtInCatalogue, type Stack } from '../../../equipment/index.js';
import type { Load } from '../../../house/index.js';
import { chooseFor, demoPlans, islandsOf, keepOnly, type Plan } from '../../../design/index.js';
import { demandContextOf } from '../../margins/demand-context-of.js';
import { evaluatePlan } from '../../evaluation/evaluate-plan.js';
import { judgeStack } from '../../evaluation/judge-stack.js';
import { stackEnergy } from '../../margins/stack-energy.js';
import { aHouse } from '../../../design/testing/house.js';
import { arbitraryLoad } from '../../../house/testing/loads.js';
import { candidatesOf } from '../candidates.js';
import { SetLimits } from '../limits/set-limits.js';
import { suggestBackup, takeSuggestion } from '../suggestion.js';

const stackOf = (...parts: readonly [string, number][]): Stack => {
  const assembled = assembleStack(
    parts.map(([unitId, quantity]) => ({ unitId, quantity })),
    builtInCatalogue,
    'split-120-240',
  );
  if (!assembled.ok) throw new Error(assembled.problem);
  return assembled.stack;
};
const stacks = [
  stackOf(['madder-47', 1]),
  stackOf(['madder-47', 2], ['madder-pack', 2]),
  stackOf(['woad-93', 1], ['woad-module', 5]),
  stackOf(['teasel-56', 1], ['teasel-bank', 2]),
];
const parts = (stack: Stack) => stack.parts.map((part) => ({ ...part }));

const someLoads = (most: number) =>
  fc.array(arbitraryLoad('split-120-240'), { minLength: 1, maxLength: most }).map((loads) =>
    loads.map((load, i): Load => ({
      ...load,
      id: `l${i}`,
      name: `Load ${i}`,
      // Smaller, so that several fit at once.
      runningPowerW: load.runningPowerW / 3,
    })),
  );
const houseOf = (loads: readonly Load[], brief: Partial<Plan['brief']>, spaces: number | null): Plan => {
  const plan = aHouse({ s: loads.map((load) => ({ loads: [load] })) }, {}, [
    { serviceId: 's', school: 'loads-panel', newPanelSpaces: spaces },
  ]);
  return { ...plan, brief: { ...plan.brief, sizeForYear: 5, ...brief } };
};
const briefs = fc.record({
  requiredRuntimeH: fc.integer({ min: 2, max: 40 }),
  handsOn: fc.boolean(),
  powerBasis: fc.constantFrom('coincident' as const, 'all-at-once' as const),
});

/** Do the margins themselves hold with just these loads? */
const holds = (plan: Plan, kept: ReadonlySet<string>, stack: Stack): boolean => {
  const only = keepOnly(plan, kept);
  return (
    judgeStack(demandContextOf(only), stack).lacks.filter(({ key }) => key !== 'gap' && key !== 'daily')
      .length === 0
  );
};

describe('the limits of a set', () => {
  it('say what the margins say', () => {
    fc.assert(
      fc.property(someLoads(9), briefs, fc.constantFrom(...stacks), (loads, brief, stack) => {
        const plan = houseOf(loads, brief, null);
        const context = demandContextOf(plan);
        const limits = new SetLimits(context, stack, stackEnergy(stack, context.settings), plan.loads);
        const set = limits.with(
          limits.empty(),
          plan.loads.map((_, i) => i),
        );
        const lacks = judgeStack(context, stack)
          .lacks.map(({ key }) => key)
          .filter((key) => key !== 'gap' && key !== 'daily');
        expect(limits.allBroken(set).toSorted()).toEqual(lacks.toSorted());
        expect(limits.broken(set) === null).toBe(lacks.length === 0);
      }),
      { numRuns: 150 },
    );
  });

  it('never wrongly say that a load cannot join', () => {
    fc.assert(
      fc.property(someLoads(7), briefs, fc.constantFrom(...stacks), (loads, brief, stack) => {
        const plan = houseOf(loads, brief, null);
        const context = demandContextOf(plan);
        const limits = new SetLimits(context, stack, stackEnergy(stack, context.settings), plan.loads);
        const last = plan.loads.length - 1;
        const set = limits.with(
          limits.empty(),
          plan.loads.slice(0, last).map((_, i) => i),
        );
        if (limits.cannotJoin(set, last)) expect(limits.broken(limits.with(set, [last]))).not.toBeNull();
      }),
      { numRuns: 150 },
    );
  });
});

describe('the suggested set', () => {
  /** Every subset, judged by the margins themselves. */
  const exhaustive = (plan: Plan, stack: Stack, spaces: number): number | null => {
    const { candidates } = candidatesOf(plan, islandsOf(plan)[0]!);
    const free = candidates.filter(({ fixed }) => fixed === null);
    const musts = candidates.filter(({ fixed }) => fixed === 'in');
    let best: number | null = null;
    for (let mask = 0; mask < 1 << free.length; mask += 1) {
      const kept = [...musts, ...free.filter((_, i) => mask & (1 << i))];
      const worth = kept.reduce((sum, one) => sum + one.worth, 0);
      if (best !== null && worth <= best) continue;
      if (kept.reduce((sum, one) => sum + one.spaces, 0) > spaces) continue;
      const loads = new Set(kept.flatMap((one) => one.loads.map(({ id }) => id)));
      if (loads.size === 0 || holds(plan, loads, stack)) best = worth;
    }
    return best;
  };

  it('is worth as much as the best of all subsets', () => {
    fc.assert(
      fc.property(
        someLoads(10),
        briefs,
        fc.constantFrom(...stacks),
        fc.option(fc.integer({ min: 3, max: 14 })),
        (loads, brief, stack, spaces) => {
          const plan = houseOf(loads, brief, spaces);
          const found = suggestBackup(plan, builtInCatalogue, 's', parts(stack))!;
          const expected = exhaustive(plan, stack, spaces ?? Infinity);
          expect(found.proven).toBe(true);
          if (expected === null) expect(found.mustsBreak).not.toBeNull();
          else expect([found.mustsBreak, found.worth]).toEqual([null, expected]);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is that of an exhaustive search for sixteen circuits', () => {
    const [loads] = fc.sample(fc.array(arbitraryLoad('split-120-240'), { minLength: 16, maxLength: 16 }), {
      numRuns: 1,
      seed: 42,
    });
    const named = loads!.map((load, i): Load => ({
      ...load,
      id: `l${i}`,
      runningPowerW: load.runningPowerW / 2,
      start: { how: 'none' },
      tier: i % 3 === 0 ? 'should' : 'may',
    }));
    const plan = houseOf(named, { requiredRuntimeH: 9 }, 12);
    const found = suggestBackup(plan, builtInCatalogue, 's', parts(stacks[1]!))!;
    expect(found.worth).toBe(exhaustive(plan, stacks[1]!, 12));
  });

  it('taken, holds, and is what is suggested again', () => {
    for (const { plan } of demoPlans) {
      const before = evaluatePlan(plan, builtInCatalogue);
      const stack = parts(before.selected!.stack);
      const chosen = chooseFor(plan, islandsOf(plan)[0]!, stack);
      const found = suggestBackup(chosen, builtInCatalogue, '', stack)!;
      const taken = takeSuggestion(chosen, found);
      const after = evaluatePlan(taken, builtInCatalogue);
      expect(after.selected!.lacks.filter(({ key }) => key !== 'daily')).toEqual([]);
      const again = suggestBackup(taken, builtInCatalogue, '', stack)!;
      expect([again.worth, again.changes.filter(({ to }) => to === 'on')]).toEqual([found.worth, []]);
    }
  });

  it('names what binds and what did not fit', () => {
    const farm = demoPlans[0]!.plan;
    const found = suggestBackup(farm, builtInCatalogue, '', parts(stacks[1]!))!;
    expect(found.leftOut.map(({ name }) => name)).toContain('Kitchen counter, left');
    expect(found.binding).toContain('starting');
    for (const { breaks } of found.leftOut) expect(breaks.length).toBeGreaterThan(0);
  });

  it('says when the musts alone are too much, and ends early when it is asked to', () => {
    const farm = { ...demoPlans[0]!.plan, brief: { ...demoPlans[0]!.plan.brief, requiredRuntimeH: 400 } };
    expect(suggestBackup(farm, builtInCatalogue, '', parts(stacks[1]!))!.mustsBreak).toBe('runtime');
    const stopped = suggestBackup(demoPlans[0]!.plan, builtInCatalogue, '', parts(stacks[1]!), () => true)!;
    expect(stopped.boundWorth).toBeGreaterThanOrEqual(stopped.worth);
  });

  it('leaves out no more than the load control takes', () => {
    const vineyard = demoPlans[1]!.plan;
    const said = vineyard.backup.services[0]!;
    const with2 = {
      ...vineyard,
      backup: { ...vineyard.backup, services: [{ ...said, controlledCircuits: 1 }] },
    };
    const stack = evaluatePlan(vineyard, builtInCatalogue).selected!.stack;
    expect(suggestBackup(with2, builtInCatalogue, '', parts(stack))!.mustsBreak).toBe('controlled');
  });
});
