import { describe, expect, it } from 'vitest';
import { severities } from '../../base/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import type { Load } from '../../house/index.js';
import { type Brief, demoPlans, emptyPlan, type Plan, usualGenerator } from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { planFindings } from './plan-findings.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';

const use = allSeasons(aroundTheClock);
const keys = (loads: readonly Load[], brief: Partial<Brief> = {}, notKept: string[] = []): string[] =>
  planFindings(
    evaluatePlan(aPlan(loads, { brief: { ...emptyPlan().brief, ...brief } }, notKept), builtInCatalogue),
  ).map(({ key }) => key);

describe('findings', () => {
  it('warn that the system is not for life support alone', () => {
    expect(keys([aLoad({ kind: 'medical' })])).toContain('life-support');
    expect(keys([aLoad({ kind: 'medical' })], {}, ['one'])).not.toContain('life-support');
  });
  it('notice a must that is left dark and a never that is kept', () => {
    expect(keys([aLoad({ tier: 'must' })], {}, ['one'])).toContain('must-left-out');
    expect(keys([aLoad({ tier: 'never' })])).toContain('never-kept');
  });
  it('notice a list that explains less than two thirds of the bills', () => {
    const withBill = (kWh: number): string[] => {
      const plan = aPlan([aLoad({ runningPowerW: 500, use })]);
      const bill = {
        id: 'b',
        fromDay: '2025-01-01',
        toDay: '2025-02-01',
        energyWh: kWh * 1000,
        exportWh: null,
      };
      return planFindings(
        evaluatePlan({ ...plan, usage: { ...plan.usage, bills: [bill] } }, builtInCatalogue),
      ).map(({ key }) => key);
    };
    // 12 kWh a day are listed, 372 in the 31 days of the bill.
    expect(withBill(600)).toContain('bills-unexplained');
    expect(withBill(500)).not.toContain('bills-unexplained');
  });
  it('notice a motor without a start, and legs nobody has said', () => {
    expect(keys([aLoad({ kind: 'pump', runningPowerW: 800 })])).toContain('motor-without-start');
    expect(keys([aLoad(), aLoad({ id: 'b' })])).toContain('legs-assumed');
    expect(keys([aLoad({ legsAssumed: false }), aLoad({ id: 'b', legsAssumed: false })])).not.toContain(
      'legs-assumed',
    );
  });
  it('notice own solar without surplus, and batteries too cold or too hot', () => {
    expect(keys([aLoad()], { goals: { outage: 'none', ownSolar: 'decides', peakPrice: 'none' } })).toEqual(
      expect.arrayContaining(['no-surplus', 'no-outage-goal']),
    );
    expect(keys([aLoad()], { batteryTemperatureC: -5 })).toContain('cold-charge');
    expect(keys([aLoad()], { batteryTemperatureC: 55 })).toContain('hot-derate');
  });
  it('notice loads on no circuit, once panels are surveyed', () => {
    const placed = demoPlans[0]!.plan;
    const found = (plan: typeof placed) =>
      planFindings(evaluatePlan(plan, builtInCatalogue)).map(({ key }) => key);
    expect(found(placed)).not.toContain('not-placed');
    const loads = placed.loads.map((load, index) => (index === 0 ? { ...load, circuitId: null } : load));
    expect(found({ ...placed, loads })).toContain('not-placed');
    expect(found({ ...placed, loads, survey: { ...placed.survey, panels: [] } })).not.toContain('not-placed');
  });
  it('notice motors that would restart together', () => {
    const motor = (id: string) =>
      aLoad({
        id,
        runningPowerW: 1500,
        legs: 'L1-L2',
        use,
        start: { how: 'multiple', multiple: 6, durationS: 0.5 },
        dutyCycle: 0.05,
      });
    expect(keys(['a', 'b', 'c', 'd', 'e', 'f'].map(motor))).toContain('cold-pickup');
  });
  it('hold a whole house under automatic transfer to its calculated load (NEC 702.4, recalled)', () => {
    const loads = ['a', 'b', 'c', 'd'].map((id) =>
      aLoad({ id, kind: 'range', runningPowerW: 9000, legs: 'L1-L2', dutyCycle: 0.01 }),
    );
    expect(keys(loads, { requiredRuntimeH: 4 })).toContain('nec-702-4');
  });
  it('come worst first, each with its cure', () => {
    const findings = planFindings(
      evaluatePlan(aPlan([aLoad({ kind: 'medical' }), aLoad({ id: 'b', tier: 'never' })]), builtInCatalogue),
    );
    const order = findings.map(({ severity }) => severities.indexOf(severity));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    for (const { because, cure } of findings) expect(because.length * cure.length).toBeGreaterThan(0);
  });
});

describe('sun and generator beside a stack', () => {
  const plan = demoPlans[0]!.plan;
  const keys = (sources: Partial<Plan['sources']>) =>
    planFindings(evaluatePlan({ ...plan, sources: { ...plan.sources, ...sources } }, builtInCatalogue))
      .map(({ key }) => key)
      .filter((key) => /^(solar|generator)-/.test(key));
  const [array] = plan.sources.arrays;
  it('fit in the demo', () => {
    expect(keys({})).toEqual([]);
  });
  it('are refused where the stack cannot take them', () => {
    expect(keys({ arrays: [{ ...array!, ratedW: 20_000 }] })).toEqual(['solar-ac-limit']);
    expect(keys({ arrays: [{ ...array!, coupling: 'dc' }] })).toEqual(['solar-dc-limit']);
  });
  it('share the breakers of the circuits they come down on', () => {
    const range = plan.survey.panels[0]!.circuits.find(({ name }) => name === 'Range')!;
    const dryer = plan.survey.panels[0]!.circuits.find(({ name }) => name === 'Dryer')!;
    // 12 kW at 240 V are 50 A; 125 % of it 62.5 A against 50 A. Half of it on each: 31.25 A, more than 30 A and less than 50 A.
    const on = (more: readonly string[]) =>
      keys({
        arrays: [
          {
            ...array!,
            ratedW: 4000,
            inverterW: 12_000,
            circuitId: range.id,
            moreCircuits: more.map((circuitId) => ({ circuitId })),
          },
        ],
      }).filter((key) => key.startsWith('solar-circuit'));
    expect([range.ratingA, dryer.ratingA]).toEqual([50, 30]);
    expect(on([])).toEqual([`solar-circuit.${array!.id}.${range.id}`]);
    expect(on([dryer.id])).toEqual([`solar-circuit.${array!.id}.${dryer.id}`]);
  });
  it('must not work against each other', () => {
    const generator = {
      ...usualGenerator('auto'),
      locksSolarOut: false,
      startBelow: 0.9,
      stopAbove: 0.5,
      chargerW: 500,
    };
    expect(keys({ generator })).toEqual(['generator-thresholds', 'generator-solar', 'generator-idles']);
  });
});
