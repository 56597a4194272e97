import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../../design/index.js';
import type { Load } from '../../../house/index.js';
import { dwellingLoadsOf, optionalDwelling } from '../../../rules/index.js';
import { generalLines } from './dwelling-lines.js';

const sum = (lines: readonly { readonly va: number }[]): number => lines.reduce((all, { va }) => all + va, 0);
const base = demoPlans[0]!.plan.loads[0]!;
const of = (kind: Load['kind'], runningPowerW: number, name: string): Load => ({
  ...base,
  kind,
  name,
  quantity: 1,
  runningPowerW,
  powerFactor: 1,
});

describe('the general loads of a worksheet', () => {
  // NEC Informative Annex D, Example D2(a), recalled from memory; verify against the adopted edition.
  it('of Example D2(a) are the lines of the book: 4,500, 3,000, 1,500, 2,500, 1,200, 12,000, 5,000 VA', () => {
    const loads = [
      of('range', 12_000, 'Range'),
      of('water-heater', 2500, 'Water heater'),
      of('dishwasher', 1200, 'Dishwasher'),
      of('dryer', 5000, 'Dryer'),
    ];
    const floorM2 = 1500 / 10.7639104;
    const lines = generalLines(loads, dwellingLoadsOf(loads, floorM2), '');
    expect(lines.map(({ va }) => Math.round(va))).toEqual([4500, 3000, 1500, 2500, 1200, 12_000, 5000]);
    expect(sum(lines)).toBeCloseTo(29_700, 6);
  });

  it('add up to the general load of the calculation, whatever is in the house', () => {
    const all = demoPlans.flatMap(({ plan }) => plan.loads);
    fc.assert(
      fc.property(fc.subarray(all), fc.integer({ min: 20, max: 800 }), (loads, floorM2) => {
        const dwelling = dwellingLoadsOf(loads, floorM2);
        expect(sum(generalLines(loads, dwelling, ''))).toBeCloseTo(optionalDwelling(dwelling).generalVA, 6);
      }),
    );
  });
});
