import { describe, expect, it } from 'vitest';
import { builtInCatalogue, type StackPart } from '../../equipment/index.js';
import { chosenFor, demoPlans, islandsOf, moveToLane, type Plan } from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { withRuntimes } from '../evaluation/with-runtimes.js';
import { LocalSimulation } from '../outage/simulation.js';
import { aPlan, withStack } from '../../design/testing/plan.js';
import { aHouse } from '../../design/testing/house.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { substitutesFor, withSubstitute } from './substitutes.js';
import { substituteOutcomes } from './substitute-outcomes.js';
import { waysToMend } from './ways-to-mend.js';

const farm = demoPlans[0]!.plan;
const heldUse = allSeasons(aroundTheClock);
const mend = (plan: Plan) => {
  const { island, selected } = evaluatePlan(plan, builtInCatalogue);
  const simulation = new LocalSimulation(plan, builtInCatalogue, '', null);
  return waysToMend(plan, builtInCatalogue, island!, selected!.stack, simulation);
};
/** As every stage shows it once it is simulated. */
const simulated = async (plan: Plan, parts: readonly StackPart[]) => {
  const evaluation = evaluatePlan(plan, builtInCatalogue);
  const outlook = (await new LocalSimulation(plan, builtInCatalogue, '', null).outlook(plan, parts))!;
  const name = evaluation.selected!.stack.name;
  return withRuntimes(evaluation, { outlooks: new Map([[name, outlook]]), found: null });
};

describe('what breaks first, and the ways out', async () => {
  // As a new user would: the demo's survey, 24 h asked for, what breaks first, three ways to fix it.
  const plan = { ...farm, brief: { ...farm.brief, requiredRuntimeH: 24 } };
  const present = evaluatePlan(plan, builtInCatalogue).selected!.stack.parts;
  const mending = (await mend(plan))!;

  it('is the start of the well pump, and shed, soft start and larger stack each mend it', () => {
    expect(mending.breaks).toBe('starting');
    expect(mending.present.fails.map(({ key }) => key)).toEqual(['starting']);
    expect(new Set(mending.ways.map(({ kind }) => kind))).toEqual(new Set(['shed', 'substitute', 'stack']));
    for (const way of mending.ways) expect(way.outcome.fails, way.title).toEqual([]);
  });

  it('gives jobs that hold when they are taken, with the figures that were shown', async () => {
    for (const way of mending.ways) {
      expect(isValid(way.plan), way.title).toBe(true);
      const parts = chosenFor(way.plan, islandsOf(way.plan)[0]!) ?? present;
      const taken = await simulated(way.plan, parts);
      expect(taken.selected!.lacks, way.title).toEqual([]);
      const runtime = taken.margins.find(({ key }) => key === 'runtime')!;
      expect(runtime.limit.value, way.title).toBeCloseTo(way.outcome.runtimeH, 9);
      const starting = taken.margins.find(({ key }) => key === 'starting')!;
      expect(starting.ratio).toBeCloseTo(way.outcome.startRatio, 9);
    }
  });

  it('offers fewer hours where hours are short', async () => {
    const long = (await mend({ ...farm, brief: { ...farm.brief, requiredRuntimeH: 60 } }))!;
    expect(long.breaks).toBe('runtime');
    const shorter = long.ways.find(({ kind }) => kind === 'shorter')!;
    expect(shorter.outcome.fails.map(({ key }) => key)).not.toContain('runtime');
    for (const { kind, outcome } of long.ways) if (kind === 'shed') expect(outcome.fails).toEqual([]);
  });

  it('takes a substitute and some circuits out together where neither is enough', async () => {
    // What runs beside the well pump must stay on, so only a soft start helps it; the hours are short as well.
    const loads = farm.loads.map((load) =>
      load.runningPowerW * load.quantity >= 400 ? { ...load, tier: 'must' as const } : load,
    );
    const both = (await mend({ ...farm, loads, brief: { ...farm.brief, requiredRuntimeH: 36 } }))!;
    const shed = both.ways.find(({ kind }) => kind === 'shed')!;
    expect(shed.title).toMatch(/, and leave dark: /);
    expect(shed.outcome.fails).toEqual([]);
  });

  it('looks first at what should never run and at what is shed by hand, past any number of circuits', async () => {
    // Sixteen bedrooms that hardly matter, and a heater by hand that nobody is counted on to switch off.
    const rooms = Array.from({ length: 16 }, (_, i) => ({
      loads: [
        aLoad({ id: `room${i}`, name: `Bedroom ${i}`, runningPowerW: 40, tier: 'should', use: heldUse }),
      ],
    }));
    const heater = aLoad({
      id: 'heater',
      name: 'Heater',
      runningPowerW: 3000,
      legs: 'L1-L2',
      tier: 'may',
      use: heldUse,
    });
    const house = withStack(
      aHouse({ s: [...rooms, { loads: [heater] }] }),
      ['yarrow-79', 1],
      ['yarrow-pack', 1],
    );
    const circuitId = house.loads.find(({ id }) => id === 'heater')!.circuitId!;
    const byHand = moveToLane(house, { circuitIds: [circuitId], loadIds: [] }, 'hand');
    const mending = (await mend(byHand))!;
    const shed = mending.ways.find(({ kind }) => kind === 'shed')!;
    expect(shed.title).toBe('Leave dark: Way 17');
    expect(shed.outcome.fails).toEqual([]);
  });

  it('says nothing where everything holds', async () => {
    const row = withStack(demoPlans[1]!.plan, ['bracken-141', 1], ['bracken-module', 7]);
    expect(await mend({ ...row, brief: { ...row.brief, requiredRuntimeH: 8 } })).toBeNull();
  });
});

describe('substitutes', () => {
  const always = allSeasons(aroundTheClock);
  const central = aLoad({
    id: 'central',
    name: 'Central air conditioning',
    kind: 'cooling',
    legs: 'L1-L2',
    runningPowerW: 3200,
    start: { how: 'lockedRotor', lockedRotorA: 88, durationS: 0.4 },
    use: always,
  });
  const tank = aLoad({
    id: 'tank',
    name: 'Tank',
    kind: 'water-heater',
    legs: 'L1-L2',
    runningPowerW: 4500,
    use: always,
  });

  it('are those common practice knows', () => {
    const keys = (load: typeof central, notKept: string[] = []) =>
      substitutesFor(aPlan([load], {}, notKept)).map(({ key }) => key.split('.')[0]);
    expect(keys(central)).toEqual(['soft-starter', 'fan-at-night', 'room-unit']);
    expect(keys(tank)).toEqual(['heat-pump-water-heater']);
    expect(keys(aLoad({ kind: 'lighting', runningPowerW: 60 }))).toEqual([]);
    // What is dark does not need a soft starter.
    expect(keys(central, ['central'])).toEqual(['fan-at-night', 'room-unit']);
  });

  it('a fan that is there already takes the nights over; one over the stove does not', () => {
    const fan = aLoad({ id: 'fan', name: 'Ceiling fans', kind: 'fan', runningPowerW: 35, quantity: 3 });
    const hood = aLoad({ id: 'hood', name: 'Hood fan', kind: 'fan', runningPowerW: 120 });
    const plan = aPlan([central, fan, hood], {}, ['fan']);
    const found = substitutesFor(plan).find(({ key }) => key.startsWith('fan-at-night'))!;
    expect(found.title).toBe('Ceiling fans, there already, instead of Central air conditioning at night');
    const taken = withSubstitute(plan, found);
    expect(taken.loads).toHaveLength(3);
    expect(taken.loads.find(({ id }) => id === 'fan')?.use.summer.nightH).toBe(8);
    expect(taken.loads.find(({ id }) => id === 'central')?.use.summer.nightH).toBe(0);
    expect(taken.backup.kept).toContainEqual({ loadId: 'fan' });
  });

  it('cost less than what they replace', async () => {
    const plan = aHouse({ s: [{ loads: [central] }, { loads: [tank] }] });
    const summer = withStack({ ...plan, brief: { ...plan.brief, designSeason: 'summer' } }, ['yarrow-79', 2]);
    const { island, selected, context } = evaluatePlan(summer, builtInCatalogue);
    const dayWh = context.hourlyWh.reduce((sum, wh) => sum + wh, 0);
    for (const { substitute, outcome } of await substituteOutcomes(
      summer,
      island!,
      selected!.stack,
      new LocalSimulation(summer, builtInCatalogue, '', null),
    )) {
      if (substitute.key.startsWith('soft')) expect(outcome.energyWhPerDay).toBeCloseTo(dayWh, 6);
      else expect(outcome.energyWhPerDay, substitute.title).toBeLessThan(dayWh);
      const taken = withSubstitute(summer, substitute);
      expect(isValid(taken), substitute.title).toBe(true);
    }
  });
});
