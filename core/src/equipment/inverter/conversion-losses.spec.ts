import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { acOfDcW, dcOfAcW } from '../../electric/index.js';
import { idealUnit } from '../testing/ideal-unit.js';
import { conversionLosses } from './conversion-losses.js';

const inverter = { ...idealUnit.inverter!, continuousVA: 5000 };
const efficiency = (acW: number, { lossPerW, lossPerW2 }: ReturnType<typeof conversionLosses>): number =>
  acW / dcOfAcW(acW, lossPerW, lossPerW2);

describe('losses of conversion', () => {
  it('meet the one efficiency at half the power, are less below it and more above', () => {
    const losses = conversionLosses({ ...inverter, dischargeEfficiency: 0.95, efficiencyAt: null }, 2);
    expect(efficiency(5000, losses)).toBeCloseTo(0.95, 12);
    expect(efficiency(500, losses)).toBeGreaterThan(0.965);
    expect(efficiency(10_000, losses)).toBeLessThan(0.93);
  });

  it('go through two efficiencies that are stated', () => {
    const efficiencyAt = [
      { share: 0.3, efficiency: 0.962 },
      { share: 1, efficiency: 0.931 },
    ];
    const losses = conversionLosses({ ...inverter, efficiencyAt }, 1);
    for (const { share, efficiency: stated } of efficiencyAt)
      expect(efficiency(share * 5000, losses)).toBeCloseTo(stated, 12);
  });

  it('are none for a unit without losses', () => {
    expect(conversionLosses({ ...inverter, dischargeEfficiency: 1, efficiencyAt: null }, 1)).toEqual({
      lossPerW: 0,
      lossPerW2: 0,
    });
  });

  it('can be undone: power in from power out, and back', () => {
    const share = fc.double({ min: 0, max: 0.2, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0, max: 30_000, noNaN: true }), share, share, (acW, linear, square) => {
        const lossPerW2 = square / 10_000;
        expect(acOfDcW(dcOfAcW(acW, linear, lossPerW2), linear, lossPerW2)).toBeCloseTo(acW, 4);
      }),
    );
  });
});
