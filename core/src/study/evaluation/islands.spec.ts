import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  changeServiceBackup,
  chooseFor,
  chosenFor,
  hostOf,
  islandPlan,
  isolateMains,
  islandsOf,
  joinService,
  type Plan,
  planProblems,
  schools,
  settlePlan,
  usualArray,
  usualGenerator,
} from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { evaluatePlan } from './evaluate-plan.js';
import { loadEffects } from './load-effects.js';
import { aPlan, withStack } from '../../design/testing/plan.js';
import { newCircuit, newPanel } from '../../house/details.js';
import { aHouse } from '../../design/testing/house.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';

const load = (id: string, watts: number) =>
  aLoad({ id, name: id, runningPowerW: watts, use: allSeasons(aroundTheClock) });
const house = (...backup: Parameters<typeof aHouse>[2] & {}) =>
  aHouse({ a: [{ loads: [load('one', 400)] }], b: [{ loads: [load('two', 900)] }] }, {}, backup);

describe('islands', () => {
  it('are one for each service that is backed up', () => {
    expect(islandsOf(house()).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(islandsOf(house({ serviceId: 'b', school: 'none' })).map(({ id }) => id)).toEqual(['a']);
    const joined = islandsOf(house({ serviceId: 'b', school: 'service', islandId: 'a' }));
    expect(joined.map(({ services }) => services.length)).toEqual([2]);
  });

  describe('of a 400 A meter with two mains of 200 A and two panels beside them', () => {
    const panel = (id: string, mainBreakerA: number | null, watts: number) => ({
      panel: {
        ...newPanel(id, `Panel ${id}`, 'split-120-240', { kind: 'service' as const, serviceId: 's' }),
        mainBreakerA,
        circuits: [newCircuit(`${id}-1`, [1], 'One')],
      },
      load: { ...load(`load-${id}`, watts), circuitId: `${id}-1` },
    });
    const parts = [
      panel('m1', 200, 400),
      panel('m2', 200, 900),
      panel('side-1', 100, 50),
      panel('side-2', 60, 70),
    ];
    const blank = aHouse({ s: [{ loads: [] }] }, {}, [{ serviceId: 's', school: 'service' }]);
    const whole = settlePlan({
      ...blank,
      survey: {
        ...blank.survey,
        services: blank.survey.services.map((service) => ({ ...service, ratingA: 400 })),
        panels: parts.map((part) => part.panel),
      },
      loads: parts.map((part) => part.load),
    });
    const loadsOf = (plan: Plan) =>
      islandsOf(plan).map((island) => [island.name, islandPlan(plan, island).loads.map(({ id }) => id)]);
    it('one main is backed up, the other and the side panels stay dark', () => {
      const one = changeServiceBackup(whole, 's', { isolation: { at: 'main', panelId: 'm1' } });
      expect(loadsOf(one)).toEqual([['Service s', ['load-m1']]]);
      expect(isValid(one)).toBe(true);
    });

    it('each main is backed up by a source of its own, and keeps it', () => {
      const both = settlePlan(isolateMains(whole, 's', ['m1', 'm2']));
      expect(loadsOf(both)).toEqual([
        ['Panel m1', ['load-m1']],
        ['Panel m2', ['load-m2']],
      ]);
      const [first, second] = islandsOf(both);
      const stacked = settlePlan(chooseFor(both, second!, [{ unitId: 'woad-93', quantity: 1 }]));
      expect(chosenFor(stacked, second!)).toHaveLength(1);
      expect(chosenFor(stacked, first!)).toBeNull();
      const without = settlePlan(isolateMains(stacked, 's', ['m2']));
      expect(islandsOf(without).map(({ id }) => id)).toEqual([second!.id]);
      expect(chosenFor(without, second!)).toHaveLength(1);
      expect(isValid(without)).toBe(true);
    });

    it('another service may share the source of one of them, and is said to', () => {
      const garage = { ...whole.survey.services[0]!, id: 'g', name: 'Garage' };
      const two = { ...whole, survey: { ...whole.survey, services: [...whole.survey.services, garage] } };
      const said = changeServiceBackup(two, 'g', { school: 'service' });
      for (const mains of [
        ['m1', 'm2'],
        ['m2', 'm1'],
      ]) {
        // The main that had the source of the service is left out in the second round.
        const cut = isolateMains(isolateMains(said, 's', ['m1', 'm2']), 's', mains.slice(0, 1));
        expect([hostOf(cut, 'g'), hostOf(cut, 's')]).toEqual([null, null]);
        const joined = settlePlan(joinService(cut, 'g', 's'));
        expect([hostOf(joined, 'g'), hostOf(joined, 's')]).toEqual(['s', null]);
        expect(islandsOf(joined)).toHaveLength(1);
      }
    });

    it('a panel that is gone is no point of isolation any more', () => {
      const both = isolateMains(whole, 's', ['m1', 'm2']);
      const gone = settlePlan({
        ...both,
        survey: { ...both.survey, panels: both.survey.panels.filter(({ id }) => id !== 'm1') },
        loads: both.loads.filter(({ circuitId }) => circuitId !== 'm1-1'),
      });
      expect(loadsOf(gone)).toEqual([['Panel m2', ['load-m2']]]);
      expect(isValid(gone)).toBe(true);
    });
  });

  it('never share a source unless joined: no load is behind two, and each has its own stack', () => {
    const said = fc.record({ school: fc.option(fc.constantFrom(...schools)), joined: fc.boolean() });
    fc.assert(
      fc.property(said, said, (first, second) => {
        const plan = house(
          { serviceId: 'a', school: first.school },
          { serviceId: 'b', school: second.school, islandId: second.joined ? 'a' : 'b' },
        );
        const islands = islandsOf(plan);
        const behind = islands.flatMap((island) => islandPlan(plan, island).loads.map(({ id }) => id));
        expect(new Set(behind).size).toBe(behind.length);
        const together = islands.some((island) => islandPlan(plan, island).loads.length === 2);
        if (together) expect(second.joined && first.school !== 'none' && second.school !== 'none').toBe(true);
      }),
    );
    const apart = house();
    const [a, b] = islandsOf(apart);
    const chosen = chooseFor(apart, b!, [{ unitId: 'woad-93', quantity: 1 }]);
    expect(chosenFor(chosen, b!)).toEqual([{ unitId: 'woad-93', quantity: 1 }]);
    expect(chosenFor(chosen, a!)).toBeNull();
    expect(isValid(chosen)).toBe(true);
  });

  it('are judged each by its own loads', () => {
    const plan = house();
    const of = (id: string) => evaluatePlan(plan, builtInCatalogue, id);
    expect(of('a').power.allAtOnce.powerVA).toBeCloseTo(400, 6);
    expect(of('b').power.allAtOnce.powerVA).toBeCloseTo(900, 6);
    const both = house({ serviceId: 'b', school: 'service', islandId: 'a' });
    expect(evaluatePlan(both, builtInCatalogue).power.allAtOnce.powerVA).toBeCloseTo(1300, 6);
    const { context, selected } = of('a');
    expect(loadEffects(context, selected, plan.loads).size).toBe(2);
  });

  it('leave nothing to judge where no service is backed up', () => {
    const none = house({ serviceId: 'a', school: 'none' }, { serviceId: 'b', school: 'none' });
    const { island, margins } = evaluatePlan(none, builtInCatalogue);
    expect(island).toBeNull();
    expect(margins.every(({ verdict }) => verdict === 'unknown')).toBe(true);
  });

  it('a service joins the source of another one, and gets one of its own again', () => {
    const joined = joinService(house(), 'b', 'a');
    expect(islandsOf(joined).map(({ id }) => id)).toEqual(['a']);
    expect(islandsOf(joinService(joined, 'b', null)).map(({ id }) => id)).toEqual(['a', 'b']);
    // The name of its own island is taken by those that had joined it.
    const swapped = joinService(joined, 'a', null);
    const ids = islandsOf(swapped).map(({ id }) => id);
    expect([new Set(ids).size, isValid(swapped)]).toEqual([2, true]);
  });

  it('keep their stacks by their own names', () => {
    const [, b] = islandsOf(house());
    const chosen = chooseFor(house(), b!, [{ unitId: 'woad-93', quantity: 1 }]);
    const dark = changeServiceBackup(chosen, 'a', { school: 'none' });
    // The second island is now the first one, with the stack it had.
    const [first] = islandsOf(dark);
    expect([first!.id, first!.first]).toEqual(['b', true]);
    expect(chosenFor(settlePlan(dark), first!)).toEqual([{ unitId: 'woad-93', quantity: 1 }]);
    const gone = settlePlan({ ...chosen, survey: { ...chosen.survey, services: [] } });
    expect(gone.equipment.stacks).toEqual([]);
  });

  it('the stack of a house without survey is that of its first service later', () => {
    const bare = withStack(aPlan([load('one', 400)]), ['woad-93', 1]);
    const surveyed = settlePlan({ ...bare, survey: house().survey });
    expect(chosenFor(surveyed, islandsOf(surveyed)[0]!)).toEqual([{ unitId: 'woad-93', quantity: 1 }]);
  });

  it('are cut at one main of several, and leave the others on the grid', () => {
    const two = aHouse({ a: [{ loads: [load('one', 400)] }], b: [{ loads: [load('two', 900)] }] });
    // Both panels hang on the same service.
    const survey = {
      ...two.survey,
      services: two.survey.services.slice(0, 1),
      panels: two.survey.panels.map((panel) => ({
        ...panel,
        fedFrom: { kind: 'service' as const, serviceId: 'a' },
      })),
    };
    const whole = settlePlan({ ...two, survey });
    expect(evaluatePlan(whole, builtInCatalogue).power.allAtOnce.powerVA).toBeCloseTo(1300, 6);
    const cut = changeServiceBackup(whole, 'a', { isolation: { at: 'main', panelId: 'panel-b' } });
    expect(islandsOf(cut)[0]!.panels.map(({ id }) => id)).toEqual(['panel-b']);
    expect(evaluatePlan(cut, builtInCatalogue).power.allAtOnce.powerVA).toBeCloseTo(900, 6);
    expect(isValid(cut)).toBe(true);
    const without = settlePlan({ ...cut, survey: { ...survey, panels: survey.panels.slice(0, 1) } });
    expect(without.backup.services[0]!.isolation).toEqual({ at: 'service' });
  });

  it('have the sources that hang on their circuits; those that hang on none are at the first', () => {
    const array = usualArray(house(), 'roof', 'Roof');
    const plan: Plan = {
      ...house(),
      sources: {
        arrays: [array, { ...array, id: 'barn', circuitId: 'b-1' }],
        generator: { ...usualGenerator('auto'), circuitId: 'b-1' },
        vehicle: null,
        costs: [],
      },
    };
    const of = islandsOf(plan).map((island) => islandPlan(plan, island).sources);
    expect(of.map(({ arrays }) => arrays.map(({ id }) => id))).toEqual([['roof'], ['barn']]);
    expect(of.map(({ generator }) => generator !== null)).toEqual([false, true]);
    expect(isValid(plan)).toBe(true);
    const elsewhere = { ...plan, sources: { ...plan.sources, arrays: [{ ...array, circuitId: 'gone' }] } };
    expect(planProblems(elsewhere)[0]!.message).toContain('No panel has this circuit');
    expect(settlePlan(elsewhere).sources.arrays[0]!.circuitId).toBeNull();
  });
});
