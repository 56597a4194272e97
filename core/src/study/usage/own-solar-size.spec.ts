import { describe, expect, it } from 'vitest';
import { demoPlans, emptyPlan, type Plan } from '../../design/index.js';
import { firstSize } from './first-size.js';
import { ownSolarSize } from './own-solar-size.js';

const surplus = (plan: Plan, wh: number | null): Plan => ({
  ...plan,
  brief: { ...plan.brief, surplusSolarWhPerDay: wh },
});
const bill = { id: 'b', fromDay: '2025-01-01', toDay: '2025-02-01', energyWh: 620_000, exportWh: null };

describe('the battery for own solar', () => {
  it('is nothing while nobody has said what is left over', () => {
    expect(ownSolarSize(surplus(demoPlans[0]!.plan, null))).toBeNull();
  });

  it('10 kWh give 8 kWh daily in lithium and 5 in lead-acid (common practice, no source)', () => {
    const { stored, nameplate } = ownSolarSize(surplus(emptyPlan(), 8000))!;
    expect(stored.value).toBe(8000);
    expect(nameplate.lithium.value).toBeCloseTo(10_000, 6);
    expect(ownSolarSize(surplus(emptyPlan(), 5000))!.nameplate['lead-acid'].value).toBeCloseTo(10_000, 6);
    // A surplus of four kilowatt-hours asks for a battery of about five.
    expect(ownSolarSize(surplus(emptyPlan(), 4000))!.nameplate.lithium.value).toBeCloseTo(5000, 6);
  });

  it('stores no more than evening and night take, by the bills where nothing is listed', () => {
    const plan = { ...emptyPlan(), usage: { ...emptyPlan().usage, bills: [bill] } };
    const { eveningAndNight, stored } = ownSolarSize(surplus(plan, 500_000))!;
    // 20 kWh a day, of which some six tenths fall between 16 and 6.
    expect(eveningAndNight!.value / 20_000).toBeGreaterThan(0.5);
    expect(eveningAndNight!.value / 20_000).toBeLessThan(0.65);
    expect(stored.value).toBeCloseTo(eveningAndNight!.value / 0.88, 6);
  });
});

describe('a first size by bills alone', () => {
  it('carries what is billed over a day, and says nothing without bills', () => {
    expect(firstSize(emptyPlan())).toBeNull();
    const plan = { ...emptyPlan(), usage: { ...emptyPlan().usage, bills: [bill] } };
    const { lithium } = firstSize(plan)!;
    // 20 kWh of load, losses, stand-by, ten years and a cold garage: some 1.3 to 1.6 times as much.
    expect(lithium.value / 20_000).toBeGreaterThan(1.3);
    expect(lithium.value / 20_000).toBeLessThan(1.6);
  });
});
