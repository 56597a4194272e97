import { describe, expect, it } from 'vitest';
import { emptyPlan } from '../plan/empty-plan.js';
import { settingsOf } from './settings.js';

describe('settings', () => {
  it('are assumed until somebody says otherwise', () => {
    const settings = settingsOf(emptyPlan());
    expect(settings.requiredRuntimeH).toMatchObject({ value: 24, assumed: true });
    expect(settings.requiredRuntimeH.why).not.toBe('');
    const plan = emptyPlan();
    plan.brief.requiredRuntimeH = 8;
    expect(settingsOf(plan).requiredRuntimeH).toEqual({ value: 8, assumed: false, why: '' });
  });

  // Common practice, no source: lithium 80 % day by day and all of it in an emergency, lead-acid 50 %.
  it('hold the usual depths', () => {
    const { outageDepth, dailyDepth } = settingsOf(emptyPlan());
    expect([outageDepth.lithium.value, dailyDepth.lithium.value, outageDepth['lead-acid'].value]).toEqual([
      1, 0.8, 0.5,
    ]);
  });

  it('ask for the season that decides: winter, or summer within 30° of the equator (common practice, no source)', () => {
    const at = (latitudeDeg: number | null) => {
      const plan = emptyPlan();
      return settingsOf({ ...plan, site: { ...plan.site, latitudeDeg } }).designSeason.value;
    };
    expect([at(null), at(30), at(-30), at(29.5), at(-29.5)]).toEqual([
      'winter',
      'winter',
      'winter',
      'summer',
      'summer',
    ]);
  });

  it('take a house of 2,000 square feet', () => {
    expect(settingsOf(emptyPlan()).floorAreaM2.value).toBeCloseTo(2000 * 0.3048 ** 2, 1);
    expect(settingsOf(emptyPlan()).dailyDepth['lead-acid'].value).toBe(0.5);
  });

  it('ask more of the inverter where nobody is home', () => {
    const plan = emptyPlan();
    expect(settingsOf(plan).coincidence.value).toBe(0.999);
    expect(settingsOf({ ...plan, brief: { ...plan.brief, handsOn: true } }).coincidence.value).toBe(0.95);
    expect(
      settingsOf({ ...plan, brief: { ...plan.brief, powerBasis: 'all-at-once' } }).coincidence.value,
    ).toBe(1);
  });
});
