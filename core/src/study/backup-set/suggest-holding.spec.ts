import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, type Plan } from '../../design/index.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { LocalSimulation } from '../outage/simulation.js';
import { suggestHolding } from './suggest-holding.js';
import { takeSuggestion } from './suggestion.js';

const [farm, row] = demoPlans.map(({ plan }) => plan) as [Plan, Plan];

describe('the best set for a stack', () => {
  it.each([
    ['farm', farm, 28],
    // By the closed formula this house lasts longer than in simulation.
    ['row house', row, 16],
    ['farm, longer than it lasts', farm, 45],
  ])(
    '%s: holds in simulation, and reaches what it says',
    async (_, demo, requiredRuntimeH) => {
      const plan = { ...demo, brief: { ...demo.brief, requiredRuntimeH } };
      const { parts } = evaluatePlan(plan, builtInCatalogue).selected!.stack;
      const simulation = new LocalSimulation(plan, builtInCatalogue, '', null);
      const found = (await suggestHolding(plan, builtInCatalogue, '', parts, simulation))!;
      expect(found.proven).toBe(true);
      expect(found.worth).toBeGreaterThan(0);
      const taken = takeSuggestion(plan, found);
      const outlook = (await simulation.outlook(taken, parts))!;
      if (found.reachedH === null) expect(found.mustsBreak).not.toBeNull();
      else {
        expect(outlook.nineteenOfTwentyH).toBe(found.reachedH);
        expect(found.reachedH).toBeGreaterThanOrEqual(requiredRuntimeH);
      }
    },
    60_000,
  );
});
