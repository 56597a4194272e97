import { describe, expect, it } from 'vitest';
import { seasons } from '../../nature/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { dayParts } from '../../house/index.js';
import { demoPlans } from '../../design/index.js';
import { evaluatePlan } from './evaluate-plan.js';
import { partMargins } from './part-margins.js';

describe('the margins of each part of the day', () => {
  it('have those of the strip as their worst', () => {
    for (const { plan } of demoPlans) {
      const { context, selected, margins } = evaluatePlan(plan, builtInCatalogue);
      const all = seasons.flatMap((season) => {
        const parts = partMargins(context, selected!.stack, season);
        return dayParts.flatMap((part) => parts[part]);
      });
      for (const key of ['continuous', 'starting', 'legs']) {
        const worst = Math.max(...all.filter((margin) => margin.key === key).map(({ ratio }) => ratio));
        expect(worst, key).toBeCloseTo(margins.find((margin) => margin.key === key)!.ratio, 9);
      }
    }
  });
});
