import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import { addLoads, changeShed, moveToLane } from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { shedTiming } from '../../study/details.js';
import { planFindings } from './plan-findings.js';
import { withStack } from '../../design/testing/plan.js';
import { aHouse } from '../../design/testing/house.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';

const flat = (id: string, watts: number, legs: 'L1-L2' | 'L1' = 'L1-L2') =>
  aLoad({ id, name: id, legs, runningPowerW: watts, powerFactor: 1, use: allSeasons(aroundTheClock) });

describe('automatic shedding and the trip', () => {
  /** One Madder 47: 4.7 kVA continuous, 6.1 kVA for 9 s, 8.9 kVA for 0.7 s. */
  const timing = (rangeW: number, responseS: number) => {
    const plan = aHouse({ s: [{ loads: [flat('base', 3000)] }, { loads: [flat('range', rangeW)] }] });
    const shed = changeShed(moveToLane(plan, { circuitIds: ['s-2'], loadIds: [] }, 'auto'), ['s-2'], {
      when: 'power',
      responseS,
    });
    const evaluation = evaluatePlan(withStack(shed, ['madder-47', 1]), builtInCatalogue);
    return {
      ...shedTiming(evaluation.context, evaluation.selected!.stack),
      findings: planFindings(evaluation),
    };
  };

  it('acts in time where its response is shorter than the overload is held', () => {
    const slow = timing(2800, 5);
    expect([slow.heldS, slow.run.tripped]).toEqual([9, false]);
    expect(slow.findings.map(({ key }) => key)).not.toContain('shed-late');
    expect(timing(5000, 0.5).run.tripped).toBe(false);
  });
  it('comes too late otherwise, and says so', () => {
    const late = timing(5000, 1);
    expect([late.heldS, late.run.tripped]).toEqual([0.7, true]);
    expect(late.findings.map(({ key }) => key)).toContain('shed-late');
    expect(late.byHandVA).toBeCloseTo(8000 - 4700, 6);
  });
  it('is not asked for where everything fits', () => {
    const fits = timing(1000, 1);
    expect([fits.heldS, fits.byHandVA, fits.run.tripped]).toEqual([Infinity, 0, false]);
  });
});

// Common practice, no source: 10 kW three-phase is 3.33 kW for any plug-in load.
it('a three-phase source of 10 kW refuses 3.5 kW on one phase', () => {
  const unit = builtInCatalogue.find(({ id }) => id === 'bracken-96')!;
  const tenKW = {
    ...unit,
    inverter: { ...unit.inverter!, continuousVA: 10_000, perLegVA: 10_000 / 3 },
  };
  const catalogue = builtInCatalogue.map((one) => (one.id === unit.id ? tenKW : one));
  const heater = (watts: number) =>
    aLoad(
      { id: 'h', legs: 'L1', runningPowerW: watts, powerFactor: 1, use: allSeasons(aroundTheClock) },
      'three-230-400',
    );
  const legs = (watts: number) => {
    const plan = aHouse({ s: [{ loads: [] }] });
    const wired = { ...plan, supply: { ...plan.supply, system: 'three-230-400' as const } };
    const evaluation = evaluatePlan(
      withStack(addLoads(wired, [heater(watts)]), ['bracken-96', 1], ['bracken-module', 4]),
      catalogue,
    );
    return Object.fromEntries(evaluation.margins.map(({ key, verdict }) => [key, verdict]));
  };
  expect(legs(3500)).toMatchObject({ legs: 'fails', continuous: 'holds' });
  expect(legs(3000)['legs']).not.toBe('fails');
});
