import { describe, expect, it } from 'vitest';
import { type Brief, emptyPlan } from '../../design/index.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { assembleStack } from '../../equipment/index.js';
import { idealUnit } from '../../equipment/testing/ideal-unit.js';
import { dailyMargin } from './daily-margin.js';
import { stackEnergy } from './stack-energy.js';
import { demandContextOf } from './demand-context-of.js';

const always = allSeasons(aroundTheClock);
const contextOf = (
  brief: Partial<Brief>,
  loads = [aLoad({ runningPowerW: 1000, use: always })],
  notKept: string[] = [],
) => demandContextOf(aPlan(loads, { brief: { ...emptyPlan().brief, ...brief } }, notKept));
const planned = {
  id: 'car',
  name: 'Car',
  kind: 'load' as const,
  runningPowerW: 3000,
  energyWhPerDay: 6000,
  countIn: true,
};
const day = (hourly: Float64Array): number => hourly.reduce((sum, wh) => sum + wh, 0);

describe('what a job asks of any stack', () => {
  it('counts the backup set only', () => {
    const loads = [
      aLoad({ id: 'in', runningPowerW: 1000, use: always }),
      aLoad({ id: 'out', runningPowerW: 5000, use: always }),
    ];
    const context = contextOf({}, loads, ['out']);
    expect(day(context.hourlyWh)).toBeCloseTo(24_000, 6);
    expect(context.power.allAtOnce.powerVA).toBe(1000);
  });

  it('counts a planned addition only when the household sizes for it now', () => {
    const without = contextOf({ plannedAdditions: [{ ...planned, countIn: false }] });
    const withIt = contextOf({ plannedAdditions: [planned] });
    expect(day(withIt.hourlyWh) - day(without.hourlyWh)).toBeCloseTo(6000, 6);
    expect(withIt.power.allAtOnce.powerVA - without.power.allAtOnce.powerVA).toBeCloseTo(3000, 6);
  });

  it('takes the energy of the design season and the power of the worst one', () => {
    const summerOnly = {
      ...allSeasons({ nightH: 0, morningH: 0, dayH: 0, eveningH: 0 }),
      summer: aroundTheClock,
    };
    const context = contextOf({ designSeason: 'winter' }, [aLoad({ runningPowerW: 2000, use: summerOnly })]);
    expect(day(context.hourlyWh)).toBe(0);
    expect(context.power.allAtOnce).toMatchObject({ powerVA: 2000, season: 'summer' });
  });
});

describe('the daily goals', () => {
  const goals = (ownSolar: Brief['goals']['ownSolar'], peakPrice: Brief['goals']['peakPrice']) => ({
    goals: { outage: 'decides' as const, ownSolar, peakPrice },
    surplusSolarWhPerDay: 20_000,
  });

  const losing = {
    ...idealUnit.inverter!,
    efficiencyAt: [0.25, 1].map((share) => ({ share, efficiency: 0.9 })),
    charge: { ...idealUnit.inverter!.charge, efficiency: 0.8 },
  };
  const daily = (context: ReturnType<typeof contextOf>, unit = idealUnit) => {
    const assembled = assembleStack([{ unitId: unit.id, quantity: 1 }], [unit], 'split-120-240');
    if (!assembled.ok) throw new Error(assembled.problem);
    return dailyMargin(context, assembled.stack, stackEnergy(assembled.stack, context.settings));
  };
  const wanted = (...of: Parameters<typeof contextOf>) => daily(contextOf(...of))!.demand;

  it('are none unless somebody has one', () => {
    expect(daily(contextOf(goals('none', 'none')))).toBeNull();
  });
  it('take evening and night for own solar, the evening for peak prices', () => {
    expect(wanted(goals('decides', 'none'))).toMatchObject({ key: 'daily.ownSolar' });
    expect(wanted(goals('decides', 'none')).value).toBeCloseTo(14_000, 6);
    expect(wanted(goals('none', 'decides')).value).toBeCloseTo(6000, 6);
  });
  it('let the larger of two that decide decide, and one that decides before one that counts', () => {
    expect(wanted(goals('decides', 'decides')).key).toBe('daily.ownSolar');
    expect(wanted(goals('counts', 'decides')).key).toBe('daily.peakPrice');
    expect(contextOf(goals('counts', 'decides')).dailyBinding).toBe(true);
    expect(contextOf(goals('counts', 'none')).dailyBinding).toBe(false);
  });
  it('hold the whole house, not only the backup set: the grid is there', () => {
    const dark = [aLoad({ runningPowerW: 500, use: always })];
    expect(wanted(goals('none', 'decides'), dark, ['one']).value).toBeCloseTo(3000, 6);
  });
  it('ask of own solar what comes back: 10 kWh in are 7.2 kWh out at 0.8 and 0.9', () => {
    const context = contextOf({ ...goals('decides', 'none'), surplusSolarWhPerDay: 10_000 });
    expect(daily(context, { ...idealUnit, inverter: losing })!.demand.value).toBeCloseTo(7200, 6);
    // Beside 6 kWh at peak price it is still the larger; with 8 kWh of surplus it no longer is.
    const both = (surplusSolarWhPerDay: number) =>
      daily(contextOf({ ...goals('decides', 'decides'), surplusSolarWhPerDay }), {
        ...idealUnit,
        inverter: losing,
      })!.demand.key;
    expect([both(10_000), both(8000)]).toEqual(['daily.ownSolar', 'daily.peakPrice']);
  });
  it('lose as much as the power of those hours loses: 1 kW of 6 kVA, half of 1/9 and a third of the other half', () => {
    const context = contextOf({ ...goals('decides', 'none'), surplusSolarWhPerDay: 10_000 });
    const oneNumber = { ...losing, dischargeEfficiency: 0.9, efficiencyAt: null };
    const { demand, limit } = daily(context, { ...idealUnit, inverter: oneNumber })!;
    const efficiency = 1 / (1 + 1 / 18 + 1 / 54);
    expect(demand.value).toBeCloseTo(8000 * efficiency, 6);
    expect(limit.value).toBeCloseTo(limit.inputs['usable']!.value * efficiency, 6);
  });
});
