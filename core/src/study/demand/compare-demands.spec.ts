import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { emptyPlan, type Plan } from '../../design/index.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad } from '../../house/testing/loads.js';

const viewsOf = (plan: Plan) =>
  Object.fromEntries(evaluatePlan(plan, builtInCatalogue).demandViews.map((view) => [view.key, view]));

describe('the ways to a power, side by side', () => {
  // Common practice, no source: 8 to 12 kW on a 200 A service.
  it('scale the habit with the service', () => {
    const views = viewsOf(
      aPlan([aLoad()], {
        supply: { system: 'split-120-240', frequencyHz: 60, serviceRatingA: 100 },
      }),
    );
    expect([views['rule-of-thumb']?.figure?.value, views['rule-of-thumb']?.upTo?.value]).toEqual([
      4000, 6000,
    ]);
  });

  it('say why one of them does not apply', () => {
    const noService = viewsOf(aPlan([aLoad()]));
    expect(noService['rule-of-thumb']).toMatchObject({
      figure: null,
      sizes: 'Enter the service rating in the brief.',
    });
    const european = viewsOf({ ...emptyPlan('single-230'), loads: [aLoad()] });
    expect(european['optional']?.figure).toBeNull();
    expect(european['optional']?.sizes).toContain('rules of the place');
  });

  it('name the one that sizes the inverter', () => {
    const brief = { ...emptyPlan().brief, powerBasis: 'all-at-once' } as const;
    const cycling = viewsOf(aPlan([aLoad()]));
    expect(cycling['coincident']?.sizes).toBe('It sizes the inverter here.');
    const together = viewsOf(aPlan([aLoad()], { brief }));
    expect(together['coincident']?.figure).toBeNull();
    expect(together['all-at-once']?.sizes).toContain('as the brief asks');
  });

  it('give the code calculation of an empty list: floor area and three circuits', () => {
    const views = viewsOf(aPlan([], { site: { ...emptyPlan().site, floorAreaM2: 1500 * 0.09290304 } }));
    // 4,500 + 3,000 + 1,500 = 9,000 VA general; all below 10 kVA, so in full (NEC 220.82, recalled).
    expect(views['optional']?.figure?.value).toBeCloseTo(9000, 0);
    // 3,000 at 100 % and 6,000 at 35 % (Table 220.45, recalled): the 5,100 VA of Annex D1(a).
    expect(views['standard']?.figure?.value).toBeCloseTo(5100, 0);
  });
});
