import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  benchItems,
  islandsOf,
  keepLoads,
  leaveOff,
  moveToLane,
  type Plan,
  presences,
  settlePlan,
  unplug,
  unpluggedLoads,
} from '../../design/index.js';
import { connectedVA } from '../../house/details.js';
import { aHouse } from '../../design/testing/house.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { evaluatePlan } from '../evaluation/evaluate-plan.js';
import { demandContextOf } from '../margins/demand-context-of.js';

const always = allSeasons(aroundTheClock);
const load = (id: string, runningPowerW: number) => aLoad({ id, name: id, use: always, runningPowerW });
const lamp = load('lamp', 100);
const heater = load('heater', 1500);
const loose = load('loose', 700);

/** A lamp that is kept and a heater that nobody chose on one circuit; what is loose hangs on none. */
const house = (handsOn: boolean, school: 'loads-panel' | 'service' = 'loads-panel'): Plan => {
  const plan = aHouse({ s: [{ loads: [lamp, heater], notKept: ['heater'] }] }, {}, [
    { serviceId: 's', school },
  ]);
  return settlePlan({
    ...plan,
    loads: [...plan.loads, loose],
    brief: { ...plan.brief, handsOn },
  });
};
const presenceOf = (plan: Plan, id: string) => presences(plan)(plan.loads.find((one) => one.id === id)!);
/** Energy of a day and highest running demand, by the definition: everything on around the clock. */
const asks = (plan: Plan) => {
  const { hourlyWh, powerSet } = demandContextOf(plan);
  return [hourlyWh.reduce((sum, wh) => sum + wh, 0), connectedVA(powerSet)];
};

describe('a circuit that stays on carries all its loads', () => {
  it('counts what nobody chose on it, until it is unplugged', () => {
    const plan = house(true);
    expect(presenceOf(plan, 'heater')).toBe('along');
    expect(asks(plan)).toEqual([24 * 1600, 1600]);
    const unplugged = unplug(plan, ['heater'], true);
    expect(presenceOf(unplugged, 'heater')).toBe('unplugged');
    // The inverter meets it before anybody pulls the plug.
    expect(asks(unplugged)).toEqual([24 * 100, 1600]);
    // A household that sees to nothing pulls no plug.
    expect(asks(unplug(house(false), ['heater'], true))).toEqual([24 * 1600, 1600]);
  });

  it('is dark with its circuit, whatever was said of the lane before', () => {
    const plan = leaveOff(keepLoads(house(true), ['lamp'], false), ['heater']);
    expect([presenceOf(plan, 'lamp'), presenceOf(plan, 'heater')]).toEqual(['dark', 'dark']);
    expect(presenceOf(settlePlan(plan), 'heater')).toBe('dark');
  });

  it('forgets the plug when the load is chosen, and when it is gone', () => {
    const unplugged = unplug(house(true), ['heater'], true);
    expect([...unpluggedLoads(settlePlan(unplugged))]).toEqual(['heater']);
    expect([...unpluggedLoads(settlePlan(keepLoads(unplugged, ['heater'], true)))]).toEqual([]);
    const without = { ...unplugged, loads: unplugged.loads.filter(({ id }) => id !== 'heater') };
    expect([...unpluggedLoads(settlePlan(without))]).toEqual([]);
  });
});

describe('a load that hangs on no circuit yet', () => {
  const item = (plan: Plan) => benchItems(plan, islandsOf(plan)[0]!).find(({ id }) => id === 'loose')!;

  it('is dark where chosen circuits are moved, and runs where the whole service is behind the device', () => {
    const dark = settlePlan(keepLoads(house(true), ['loose'], false));
    expect([presenceOf(dark, 'loose'), item(dark).lane]).toEqual(['dark', 'dark']);
    const whole = settlePlan(keepLoads(house(true, 'service'), ['loose'], false));
    expect([presenceOf(whole, 'loose'), item(whole).lane]).toEqual(['along', 'on']);
    expect(asks(whole)[1]! - asks(dark)[1]!).toBe(700);
  });

  it('is unplugged by hand', () => {
    const moved = moveToLane(house(true, 'service'), { circuitIds: [], loadIds: ['loose'] }, 'hand');
    expect([presenceOf(moved, 'loose'), item(moved).lane]).toEqual(['unplugged', 'hand']);
    const back = moveToLane(moved, { circuitIds: [], loadIds: ['loose'] }, 'on');
    expect([presenceOf(back, 'loose'), unpluggedLoads(back).size]).toEqual(['kept', 0]);
  });

  it('is counted by every margin of its island alone', () => {
    const plan = house(true, 'service');
    const { context } = evaluatePlan(plan, builtInCatalogue);
    expect(context.backupSet.map(({ id }) => id).toSorted()).toEqual(['heater', 'lamp', 'loose']);
  });
});
