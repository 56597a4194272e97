import { describe, expect, it } from 'vitest';
import { assembleStack, catalogueOf } from '../../equipment/index.js';
import { rush, rushBlock, rushController } from '../../equipment/testing/company-items.js';
import { type Plan, usualArray } from '../../design/index.js';
import { wireDesign } from '../check-wiring.js';
import { aWiredHouse } from '../testing/wired.js';

/** A house with an array on direct current, and a bank with so many controllers of 4,300 W. */
function checkWith(controllers: number, ratedW: number) {
  const house = aWiredHouse();
  const plan: Plan = {
    ...house,
    sources: {
      ...house.sources,
      arrays: [{ ...usualArray(house, 'roof', 'Roof'), circuitId: 's-1', coupling: 'dc', ratedW }],
    },
  };
  const assembled = assembleStack(
    [
      { unitId: 'rush-44', quantity: 2 },
      { unitId: 'rush-block', quantity: 8 },
      ...(controllers === 0 ? [] : [{ unitId: 'rush-controller', quantity: controllers }]),
    ],
    catalogueOf([rush, rushBlock, rushController]),
    plan.supply.system,
  );
  if (!assembled.ok) throw new Error(assembled.problem);
  return wireDesign(plan, () => assembled.stack).checks.find(({ ruleId }) => ruleId === 'controllers.enough');
}

describe('charge controllers', () => {
  it('take what they are rated for, and are rounded up', () => {
    // 9,000 W ÷ 4,300 W is 2.1: three of them.
    expect(checkWith(3, 9000)?.verdict).toBe('holds');
    expect(checkWith(2, 8600)?.verdict).toBe('holds');
    const short = checkWith(2, 9000);
    expect([short?.verdict, short?.advice]).toEqual(['fails', true]);
    expect(short?.cure).toContain('3 of them instead of 2');
    expect(short?.figures.map(({ value }) => value)).toEqual([9000, 8600]);
  });

  it('are not asked about where there are none', () => {
    expect(checkWith(0, 9000)).toBeUndefined();
  });
});
