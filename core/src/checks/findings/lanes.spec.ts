import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';

import {
  chooseFor,
  keptLoads,
  laneOfCircuits,
  benchItems,
  changeShed,
  demoPlans,
  islandsOf,
  type Lane,
  lanes,
  moveToLane,
  type Plan,
  standings,
} from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { planFindings } from './plan-findings.js';
import { isValid } from '../../design/testing/is-valid.js';
import { aHouse } from '../../design/testing/house.js';
import { withStack } from '../../design/testing/plan.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';

const always = allSeasons(aroundTheClock);
const load = (id: string, changes = {}) => aLoad({ id, name: id, use: always, ...changes });
const circuitOf = (plan: Plan, id: string) => laneOfCircuits(plan)(id);
const isKept = (plan: Plan, id: string) => keptLoads(plan).has(id);
const move = (plan: ReturnType<typeof aHouse>, ids: string[], lane: Lane) =>
  moveToLane(plan, { circuitIds: ids, loadIds: [] }, lane);

describe('moving circuits between lanes', () => {
  const plan = aHouse({
    s: [
      { loads: [load('a'), load('b', { tier: 'never' })], notKept: ['b'] },
      { loads: [load('c')], changes: { neutralGroup: 'N' } },
      { loads: [load('d')], notKept: ['d'], changes: { neutralGroup: 'N' } },
      { loads: [] },
    ],
  });

  it('keeps lanes and ticks of loads in agreement', () => {
    expect(circuitOf(plan, 's-1').lane).toBe('on');
    const dark = move(plan, ['s-1'], 'dark');
    expect(dark.loads.filter(({ circuitId }) => circuitId === 's-1').some(({ id }) => isKept(dark, id))).toBe(
      false,
    );
    const back = move(dark, ['s-1'], 'on');
    expect(
      back.loads.filter(({ circuitId }) => circuitId === 's-1').every(({ id }) => isKept(back, id)),
    ).toBe(true);
    // Between live lanes a load that the household keeps off stays off.
    const shed = move(plan, ['s-1'], 'auto');
    expect(isKept(shed, 'b')).toBe(false);
  });

  it('takes along what shares a neutral', () => {
    const moved = move(plan, ['s-2'], 'hand');
    expect([circuitOf(moved, 's-2').lane, circuitOf(moved, 's-3').lane]).toEqual(['hand', 'hand']);
    expect(circuitOf(moved, 's-1').lane).toBe('on');
  });

  it('moves a whole sub-panel with its feeder, and sheds what is behind a shed feeder', () => {
    const farm = demoPlans[0]!.plan;
    const feeder = 'cellar-21';
    const shed = changeShed(move(farm, [feeder], 'auto'), [feeder], { when: 'charge', belowCharge: 0.4 });
    const freezer = shed.loads.find(({ id }) => id === 'freezer-chest')!;
    expect(standings(shed)(freezer)).toMatchObject({
      lane: 'auto',
      shed: { when: 'charge', belowCharge: 0.4 },
    });
    const dark = move(farm, [feeder], 'dark');
    expect(isKept(dark, 'freezer-chest')).toBe(false);
    const again = move(dark, ['barn-3'], 'on');
    expect(circuitOf(again, feeder).lane).toBe('on');
  });

  it('leaves a valid job, whatever is moved', () => {
    for (const { plan: demo } of demoPlans) {
      const ids = demo.survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id));
      fc.assert(
        fc.property(
          fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...lanes)), { maxLength: 12 }),
          (moves) => {
            const moved = moves.reduce((now, [id, lane]) => move(now, [id], lane), demo);
            expect(isValid(moved)).toBe(true);
            const island = islandsOf(moved)[0]!;
            for (const { lane, loads } of benchItems(moved, island)) {
              if (loads.length > 0) expect(loads.some(({ id }) => isKept(moved, id))).toBe(lane !== 'dark');
            }
          },
        ),
        { numRuns: 30 },
      );
    }
  });

  it('to the dark never worsens a margin', () => {
    for (const { plan: demo } of demoPlans) {
      const ids = demo.survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id));
      fc.assert(
        fc.property(
          fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...lanes)), { maxLength: 6 }),
          fc.constantFrom(...ids),
          (moves, id) => {
            const chosen = evaluatePlan(demo, builtInCatalogue).selected!.stack.parts.map((part) => ({
              ...part,
            }));
            const first = chooseFor(demo, islandsOf(demo)[0]!, chosen);
            const start = moves.reduce((now, [one, lane]) => move(now, [one], lane), first);
            const before = evaluatePlan(start, builtInCatalogue).margins;
            const after = evaluatePlan(move(start, [id], 'dark'), builtInCatalogue).margins;
            for (const { key, ratio } of after) {
              const was = before.find((margin) => margin.key === key)!.ratio;
              // NaN: the set is empty, and nothing is asked.
              if (!Number.isNaN(ratio) && !Number.isNaN(was)) {
                expect(ratio, key).toBeLessThanOrEqual(was * (1 + 1e-9) + 0.012);
              }
            }
          },
        ),
        { numRuns: 25 },
      );
    }
  });
});

describe('a shed circuit', () => {
  const flat = (id: string, watts: number) => load(id, { runningPowerW: watts, powerFactor: 1 });
  const house = (lane: Lane, shed = {}, handsOn = false) => {
    const plan = aHouse({ s: [{ loads: [flat('keep', 500)] }, { loads: [flat('extra', 500)] }] });
    const moved = changeShed(move(plan, ['s-2'], lane), ['s-2'], shed);
    const brief = { ...moved.brief, handsOn, requiredRuntimeH: 4 };
    return evaluatePlan(withStack({ ...moved, brief }, ['madder-47', 1]), builtInCatalogue);
  };
  const runtime = (evaluation: ReturnType<typeof house>) =>
    evaluation.margins.find(({ key }) => key === 'runtime')!.limit.value;
  const power = (evaluation: ReturnType<typeof house>) =>
    evaluation.margins.find(({ key }) => key === 'continuous')!.demand.value;

  it('counts in energy and power by how it is shed', () => {
    const on = house('on');
    const dark = house('dark');
    const outage = house('auto', { when: 'outage' });
    const charge = house('auto', { when: 'charge', belowCharge: 0.5 });
    const room = house('auto', { when: 'power' });
    expect(runtime(outage)).toBeCloseTo(runtime(dark), 9);
    expect(power(outage)).toBeCloseTo(power(dark), 9);
    // Half of the energy with both, half with one.
    expect(runtime(charge)).toBeCloseTo((runtime(on) + runtime(dark)) / 2, 6);
    expect(power(charge)).toBeCloseTo(power(on), 9);
    expect(runtime(room)).toBeCloseTo(runtime(on), 9);
    expect(power(room)).toBeCloseTo(power(dark), 9);
  });

  it('by hand counts in full where nobody is expected at the panel, and says so', () => {
    const nobody = house('hand');
    expect(runtime(nobody)).toBeCloseTo(runtime(house('on')), 9);
    expect(planFindings(nobody).map(({ key }) => key)).toContain('by-hand');
    const somebody = house('hand', {}, true);
    expect(runtime(somebody)).toBeCloseTo(runtime(house('dark', {}, true)), 9);
    // The inverter trips before anybody is there.
    expect(power(somebody)).toBeGreaterThan(power(house('dark', {}, true)));
    expect(planFindings(somebody).map(({ key }) => key)).not.toContain('by-hand');
  });

  it('runs the longer, the earlier it is shed', () => {
    let last = 0;
    for (const belowCharge of [0.1, 0.3, 0.6, 0.9, 1]) {
      const now = runtime(house('auto', { when: 'charge', belowCharge }));
      expect(now).toBeGreaterThanOrEqual(last);
      last = now;
    }
  });
});

describe('what shortens the runtime', () => {
  it('is never a load that is shed on the way, however much it takes', () => {
    const plan = withStack(
      aHouse({
        s: [
          { loads: [load('heater', { runningPowerW: 1500 })] },
          { loads: [load('fridge', { runningPowerW: 200 })] },
        ],
      }),
      ['yarrow-79', 2],
    );
    const culprit = (of: Plan) =>
      evaluatePlan(of, builtInCatalogue).margins.find(({ key }) => key === 'runtime')!.culprit;
    const [island] = islandsOf(plan);
    const heater = benchItems(plan, island!).find(({ loads }) => loads.some(({ id }) => id === 'heater'));
    const shed = changeShed(move(plan, [heater!.id], 'auto'), [heater!.id], {
      when: 'charge',
      belowCharge: 0.5,
    });
    expect(culprit(plan)).toContain('heater');
    expect(culprit(shed)).toContain('fridge');
  });
});
