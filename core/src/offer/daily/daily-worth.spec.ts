import { describe, expect, it } from 'vitest';
import { dailyWorth, exchanged } from './daily-worth.js';

describe('what daily use is worth', () => {
  const savings = { before: '2400.00', after: '1400.00', afterAged: '1400.00', agedYears: 10 };
  const flat = { years: 10, discountRate: 0, priceRise: 0 };

  it('without interest is what is saved less the cost', () => {
    const { firstYear, simplePaybackYears, paidBackInYear, netPresent } = dailyWorth(
      savings,
      '7500',
      'CAD',
      flat,
    );
    expect([firstYear, simplePaybackYears, paidBackInYear, netPresent]).toEqual([
      '1000.00',
      7.5,
      8,
      '2500.00',
    ]);
  });

  it('with interest is the present value of an annuity', () => {
    // 1,000 a year for ten years at 5 %: 7,721.73 (annuity tables; (1 − 1.05⁻¹⁰) ÷ 0.05 = 7.72173).
    expect(dailyWorth(savings, '0', 'CAD', { ...flat, discountRate: 0.05 }).netPresent).toBe('7721.73');
    // Growing by 2 % a year: 1,000 × (1 − (1.02 ÷ 1.05)¹⁰) ÷ 0.03 = 8,386.80 (worked apart).
    const growing = 1000 * ((1 - (1.02 / 1.05) ** 10) / 0.03);
    const { netPresent } = dailyWorth(savings, '0', 'CAD', { ...flat, discountRate: 0.05, priceRise: 0.02 });
    expect(Number(netPresent)).toBeCloseTo(growing, 2);
  });

  it('falls as the battery ages, in a straight line', () => {
    // 1,000 at first, 800 after ten years: 20 less each year.
    const { years } = dailyWorth({ ...savings, afterAged: '1600' }, '0', 'CAD', flat);
    expect([years[0]!.saved, years[1]!.saved, years[9]!.saved]).toEqual(['1000.00', '980.00', '820.00']);
  });

  it('never pays back what saves nothing', () => {
    const worse = dailyWorth({ ...savings, after: '2500', afterAged: '2500' }, '100', 'JPY', flat);
    expect([worse.simplePaybackYears, worse.paidBackInYear, worse.netPresent]).toEqual([null, null, '-1100']);
  });

  it('in another currency is worth what the rate says', () => {
    // 1,000 EUR a year at 1.47: 1,470 CAD.
    const { firstYear, paidBackInYear } = dailyWorth(exchanged(savings, 1.47), '7500', 'CAD', flat);
    expect([firstYear, paidBackInYear]).toEqual(['1470.00', 6]);
  });
});
