import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assembleStack, builtInCatalogue, type StackPart } from '../../equipment/index.js';
import { demoPlans, keepLoads, type Plan, settingsOf, usualArray } from '../../design/index.js';
import { KeptYear } from '../outage/kept-year.js';
import { holdsIn } from '../outage/holds-in.js';
import { runtimeOutlook } from '../outage/runtime-outlook.js';
import { seedsOf } from '../outage/runtime-question.js';
import { LocalSimulation } from '../outage/simulation.js';
import { tallyOfBrief } from '../outage/tally-of-brief.js';
import { outcomeOf } from '../backup-set/outcome.js';
import { islandPlan, islandsOf } from '../../design/index.js';
import { evaluatePlan } from './evaluate-plan.js';
import type { JudgedStack } from './judge-stack.js';
import { smallestHolding } from './smallest-holding.js';
import { withRuntimes } from './with-runtimes.js';

const [farm, row] = demoPlans.map(({ plan }) => plan) as [Plan, Plan];
const studyOf = (plan: Plan, parts: readonly StackPart[]) => ({ plan, islandId: '', parts, weather: null });

describe('what is kept from one question to the next', () => {
  it('changes no answer: edits one after the other give what a fresh start gives', () => {
    const years = (): KeptYear[] => [new KeptYear(1), new KeptYear(2)];
    const kept = years();
    const parts = (more: number): StackPart[] => [
      { unitId: 'madder-47', quantity: 2 },
      { unitId: 'madder-pack', quantity: 2 + more },
    ];
    const [first, second] = farm.loads;
    const louder = {
      ...farm,
      loads: farm.loads.map((load, i) =>
        i === 2 ? { ...load, runningPowerW: load.runningPowerW + 90 } : load,
      ),
    };
    const shaded = { ...farm, sources: { ...farm.sources, arrays: [usualArray(farm, 'x', 'East')] } };
    const asked: [Plan, StackPart[]][] = [
      [farm, parts(0)],
      [keepLoads(farm, [first!.id, second!.id], false), parts(0)],
      [louder, parts(1)],
      [shaded, parts(0)],
      [farm, parts(0)],
      [{ ...farm, brief: { ...farm.brief, designSeason: 'summer' } }, parts(0)],
      [farm, parts(2)],
    ];
    for (const [plan, units] of asked) {
      const again = runtimeOutlook(studyOf(plan, units), builtInCatalogue, kept);
      expect(again).toEqual(runtimeOutlook(studyOf(plan, units), builtInCatalogue, years()));
    }
  }, 180_000);
});

describe('counting what ends early', () => {
  it('decides as the hours do, for several requirements', () => {
    const { selected } = evaluatePlan(row, builtInCatalogue);
    const { parts } = selected!.stack;
    const kept = seedsOf(row).map((seed) => new KeptYear(seed));
    for (const requiredRuntimeH of [14, 15.5, 30]) {
      const plan = { ...row, brief: { ...row.brief, requiredRuntimeH } };
      const outlook = runtimeOutlook(studyOf(plan, parts), builtInCatalogue, kept)!;
      const parted = [
        tallyOfBrief(studyOf(plan, parts), builtInCatalogue, kept.slice(0, 2)),
        tallyOfBrief(studyOf(plan, parts), builtInCatalogue, kept.slice(2)),
      ];
      const { whole, leg, start } = outlook.cutShort;
      const holds = outlook.nineteenOfTwentyH >= requiredRuntimeH && whole + leg + start <= 0.05;
      expect(holdsIn(plan, parted), `${requiredRuntimeH} h`).toBe(holds);
    }
  }, 180_000);
});

describe('the search for the smallest stack', () => {
  const { judged } = evaluatePlan(farm, builtInCatalogue);
  const others = (one: JudgedStack): boolean => one.lacks.every(({ rough }) => rough);

  it('finds what trying every one finds, whatever each inverter needs', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.dictionary(
          fc.constantFrom('madder-47', 'woad-93', 'yarrow-79', 'teasel-56'),
          fc.integer({ min: 5, max: 260 }),
        ),
        async (needKWh) => {
          const holds = ({ inverter, nameplateWh }: JudgedStack['stack']): boolean =>
            nameplateWh >= 1000 * (needKWh[inverter.id] ?? 60);
          const { smallest, short } = await smallestHolding(judged, (stack) => Promise.resolve(holds(stack)));
          const tried = judged.filter((one) => others(one) && holds(one.stack));
          expect(smallest).toBe(tried[0]?.stack.name ?? null);
          for (const one of judged) if (short.includes(one.stack.name)) expect(holds(one.stack)).toBe(false);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('every place says the same', () => {
  it.each([
    [
      'farm, 24 h',
      {
        ...farm,
        brief: { ...farm.brief, requiredRuntimeH: 24 },
        equipment: { ...farm.equipment, stacks: [] },
      },
    ],
    ['row house', { ...row, equipment: { ...row.equipment, stacks: [] } }],
    [
      'row house, usual weather',
      {
        ...row,
        brief: { ...row.brief, outageWeather: 'usual' as const },
        equipment: { ...row.equipment, stacks: [] },
      },
    ],
  ])(
    '%s: the suggestion holds in simulation, and nothing smaller does',
    async (_, plan) => {
      const rough = evaluatePlan(plan, builtInCatalogue);
      const simulation = new LocalSimulation(plan, builtInCatalogue, '', null);
      const found = await smallestHolding(rough.judged, ({ parts }) => simulation.holds(plan, parts));
      const stack = rough.judged.find((one) => one.stack.name === found.smallest)!.stack;
      const outlook = (await simulation.outlook(plan, stack.parts))!;
      const evaluation = withRuntimes(rough, { outlooks: new Map([[stack.name, outlook]]), found });
      expect(evaluation.selectedBy).toBe('suggestion');
      expect(evaluation.selected!.stack.name).toBe(found.smallest);
      expect(evaluation.selected!.lacks).toEqual([]);
      expect(evaluation.selected!.simulated).toBe(true);
      // What Mend, the strip and Sources show is one figure.
      const strip = evaluation.margins.find(({ key }) => key === 'runtime')!;
      const mend = outcomeOf(
        islandPlan(plan, islandsOf(plan)[0]!),
        stack,
        await simulation.outlook(plan, stack.parts),
      );
      expect([mend.runtimeH, mend.fails]).toEqual([strip.limit.value, []]);
      expect(strip.rough).toBe(false);
      // Two that were found to fall short, played to the end.
      const required = settingsOf(plan).requiredRuntimeH.value;
      for (const name of found.short.slice(-2)) {
        const parts = rough.judged.find((one) => one.stack.name === name)!.stack.parts;
        const smaller = (await simulation.outlook(plan, parts))!;
        const reached = plan.brief.outageWeather === 'usual' ? smaller.medianH : smaller.nineteenOfTwentyH;
        const { whole, leg, start } = smaller.cutShort;
        expect(reached < required || whole + leg + start > 0.05, name).toBe(true);
      }
      for (const one of evaluation.meeting) expect(found.short).not.toContain(one.stack.name);
    },
    120_000,
  );

  it('a verdict is that of its figure, and tight where one of the years falls short', async () => {
    const { selected } = evaluatePlan(row, builtInCatalogue);
    const { parts } = selected!.stack;
    const outlook = (await new LocalSimulation(row, builtInCatalogue, '', null).outlook(row, parts))!;
    expect(outlook.yearsNineteenOfTwentyH).toHaveLength(5);
    expect(outlook.yearsNineteenOfTwentyH[0]!).toBeLessThanOrEqual(outlook.nineteenOfTwentyH);
    expect(outlook.yearsNineteenOfTwentyH.at(-1)!).toBeGreaterThanOrEqual(outlook.nineteenOfTwentyH);
    const verdictFor = (requiredRuntimeH: number) => {
      const plan = { ...row, brief: { ...row.brief, requiredRuntimeH } };
      const name = assembleStack(parts, builtInCatalogue, plan.supply.system);
      const evaluation = withRuntimes(evaluatePlan(plan, builtInCatalogue), {
        outlooks: name.ok ? new Map([[name.stack.name, outlook]]) : new Map(),
        found: { smallest: name.ok ? name.stack.name : null, short: [] },
      });
      return evaluation.margins.find(({ key }) => key === 'runtime')!.verdict;
    };
    const [leastH] = outlook.yearsNineteenOfTwentyH;
    expect(verdictFor(outlook.nineteenOfTwentyH * 0.8)).toBe('holds');
    expect(verdictFor((leastH! + outlook.nineteenOfTwentyH) / 2)).toBe('tight');
    expect(verdictFor(outlook.nineteenOfTwentyH + 0.1)).toBe('fails');
  });
});
