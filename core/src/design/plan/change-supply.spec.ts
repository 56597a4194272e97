import { describe, expect, it } from 'vitest';
import { supplySystems, systemFacts } from '../../electric/index.js';
import { demoPlans } from '../demo/demo-plans.js';
import { isValid } from '../testing/is-valid.js';
import { changeSupply } from './change-supply.js';

describe('another supply', () => {
  it.each(supplySystems)('takes loads and arrays along to legs it has: %s', (system) => {
    for (const { plan } of demoPlans) {
      const changed = changeSupply(plan, system);
      expect(isValid(changed)).toBe(true);
      expect(changed.sources.arrays).toHaveLength(plan.sources.arrays.length);
      for (const { legs } of [...changed.sources.arrays, ...changed.loads])
        expect(systemFacts[system].legSets).toContain(legs);
      expect(changed.equipment.stacks).toEqual([]);
    }
  });

  it('starts motors with the power they had: amperes follow the voltage', () => {
    const { plan } = demoPlans[0]!;
    const startOf = (of: typeof plan) => of.loads.find(({ name }) => name.startsWith('Sump pump'))!.start;
    expect(startOf(plan)).toMatchObject({ lockedRotorA: 26 });
    const abroad = changeSupply(plan, 'single-230');
    expect(startOf(abroad)).toMatchObject({ lockedRotorA: 13.6 });
    expect(startOf(changeSupply(abroad, 'split-120-240'))).toMatchObject({ lockedRotorA: 26.1 });
  });
});
