import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  changeServiceBackup,
  chooseFor,
  chosenFor,
  islandPlan,
  islandsOf,
  planProblems,
  schools,
} from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { evaluatePlan } from './evaluate-plan.js';
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
    const joined = islandsOf(house({ serviceId: 'b', school: 'service', joinedTo: 'a' }));
    expect(joined.map(({ services }) => services.length)).toEqual([2]);
  });

  it('never share a source unless joined: no load is behind two, and each has its own stack', () => {
    const said = fc.record({ school: fc.option(fc.constantFrom(...schools)), joined: fc.boolean() });
    fc.assert(
      fc.property(said, said, (first, second) => {
        const plan = house(
          { serviceId: 'a', school: first.school },
          { serviceId: 'b', school: second.school, joinedTo: second.joined ? 'a' : null },
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
    const both = house({ serviceId: 'b', school: 'service', joinedTo: 'a' });
    expect(evaluatePlan(both, builtInCatalogue).power.allAtOnce.powerVA).toBeCloseTo(1300, 6);
    expect(of('a').loads.size).toBe(2);
  });

  it('leave nothing to judge where no service is backed up', () => {
    const none = house({ serviceId: 'a', school: 'none' }, { serviceId: 'b', school: 'none' });
    const { island, margins } = evaluatePlan(none, builtInCatalogue);
    expect(island).toBeNull();
    expect(margins.every(({ verdict }) => verdict === 'unknown')).toBe(true);
  });

  it('a service is joined to one with a source of its own only', () => {
    const chain = house({ serviceId: 'a', joinedTo: 'b' }, { serviceId: 'b', joinedTo: 'a' });
    expect(planProblems(chain)[0]!.message).toContain('source of its own');
    const settled = changeServiceBackup(house({ serviceId: 'b', joinedTo: 'a' }), 'a', { joinedTo: 'b' });
    expect(isValid(settled)).toBe(true);
  });
});
