import { describe, expect, it } from 'vitest';
import { demoPlans, islandWiring, type IslandWiring, type Plan, sayOfPart } from '../../design/index.js';
import { conductorAreaMm2 } from '../../rules/details.js';
import type { WiredDesign } from '../check-wiring.js';
import { wiringMaterial } from '../material/wiring-material.js';
import { aWiredHouse, wired } from '../testing/wired.js';
import type { WiringCheck } from './wiring-check.js';

const checkOf = ({ checks }: WiredDesign, key: string): WiringCheck => {
  const found = checks.find((check) => check.key === key);
  if (!found) throw new Error(`No check ${key}: ${checks.map((check) => check.key).join(', ')}`);
  return found;
};
const part = ({ graph }: WiredDesign, id: string) => graph.parts.find((one) => one.id === id)!;
const saying = (plan: Plan, change: Partial<IslandWiring>): Plan => ({
  ...plan,
  wiring: {
    ...plan.wiring,
    islands: [{ ...islandWiring({ islands: [] }, 's'), ...change }],
  },
});

describe('three inverters combined on a 200 A service', () => {
  // Woad 93 is rated 9.3 kVA: 38.75 A at 240 V (invented); three of them 116.25 A, 145.3 A at 125 %.
  const plain = aWiredHouse();
  const circuits = plain.survey.panels[0]!.circuits.map((circuit) => ({ ...circuit, ratingA: 50 }));
  const house = aWiredHouse({ circuits });
  const design = wired(house, [
    { unitId: 'woad-93', quantity: 3 },
    { unitId: 'woad-module', quantity: 9 },
  ]);

  it('each has its breaker and cable, and their feeder the sum', () => {
    const each = part(design, 'output:s:1').cable!.continuousA;
    const all = part(design, 'combined:s').cable!.continuousA;
    expect(all).toBeCloseTo(3 * each);
    expect(part(design, 'output:s:1').device!.ratingA!.value).toBeGreaterThanOrEqual(1.25 * each);
    expect(part(design, 'combined:s').device!.ratingA!.value).toBeGreaterThanOrEqual(1.25 * all);
    for (const id of ['output:s:1', 'output:s:2', 'output:s:3', 'combined:s'])
      expect(design.cables.get(id)!.judged!.holds).toBe(true);
  });

  it('is too much for a 200 A bus with a 200 A main, and not for one that a control system holds', () => {
    const held = wired(saying(house, { heldToA: 200 }), [
      { unitId: 'woad-93', quantity: 3 },
      { unitId: 'woad-module', quantity: 9 },
    ]);
    expect(checkOf(design, 'bus:panel-s.busbar').verdict).toBe('fails');
    expect(checkOf(held, 'bus:panel-s.busbar')).toMatchObject({
      verdict: 'holds',
      rule: expect.stringContaining('705.13') as string,
    });
  });

  it('comes in ahead of the panel where the designer says so: its bus carries nothing of it', () => {
    const ahead = wired(saying(house, { joins: 'enclosure' }));
    expect(ahead.checks.some(({ key }) => key === 'bus:panel-s.busbar')).toBe(false);
  });
});

describe('what a designer says', () => {
  const house = aWiredHouse();
  it('is kept and judged: a conductor that is too small, and why', () => {
    const design = wired({ ...house, wiring: sayOfPart(house.wiring, 'output:s:1', { size: '14 AWG' }) });
    const check = checkOf(design, 'output:s:1.conductor');
    expect(check.verdict).toBe('fails');
    expect(check.asks).toMatch(/20 A/);
    expect(check.cure).toContain('10 AWG');
  });
  it('a longer way loses more, and is advised against', () => {
    const near = wired(house).cables.get('output:s:1')!.dropShare!;
    const far = wired({ ...house, wiring: sayOfPart(house.wiring, 'output:s:1', { lengthM: 50 }) });
    expect(far.cables.get('output:s:1')!.dropShare!).toBeCloseTo(10 * near);
    expect(checkOf(far, 'output:s:1.drop')).toMatchObject({ verdict: 'fails', advice: true });
  });
  it('NM cable counts for 60 °C: 60 A take 4 AWG where 6 AWG did', () => {
    const plan = demoPlans[0]!.plan;
    const raceway = wired(plan).cables.get('feed:farm')!.conductor!.size;
    const nm = wired({ ...plan, wiring: sayOfPart(plan.wiring, 'feed:farm', { cable: 'nm', together: 3 }) });
    expect(raceway).toBe('6 AWG');
    // 55 A at 60 °C: the next standard device is 60 A, 240.4(B).
    expect(nm.cables.get('feed:farm')!.conductor!.size).toBe('6 AWG');
    const hot = wired({ ...plan, wiring: { ...plan.wiring, ambientC: 50 } });
    expect(hot.cables.get('feed:farm')!.judged!.carriesA).toBeCloseTo(75 * 0.82);
  });
  it('a feeder splice keeps its 60 A pass-through against the breaker ahead of it', () => {
    const plan = demoPlans[0]!.plan;
    expect(checkOf(wired(plan), 'iso:farm.rating')).toMatchObject({ verdict: 'holds', ratio: 1 });
    const services = plan.backup.services.map((one) => ({ ...one, isolatingRatingA: 60 }));
    const larger = {
      ...plan,
      backup: { ...plan.backup, services },
      wiring: sayOfPart(plan.wiring, 'feed:farm', { ratingA: 100 }),
    };
    expect(checkOf(wired(larger), 'iso:farm.rating').verdict).toBe('fails');
  });
});

describe('fault current', () => {
  it('falls from the meter to the last panel, and asks for breakers that interrupt it', () => {
    const plan = demoPlans[0]!.plan;
    const { faults } = wired(plan);
    const [meter, cellar, barn] = ['meter:farm', 'bus:cellar', 'bus:barn'].map((id) => faults.get(id)!);
    expect(meter).toBe(10_000);
    expect(cellar).toBeLessThan(meter!);
    expect(barn).toBeLessThan(cellar!);
    const services = plan.survey.services.map((service) => ({ ...service, faultCurrentA: 30_000 }));
    const strong = wired({ ...plan, survey: { ...plan.survey, services } });
    expect(checkOf(strong, 'bus:cellar.fault').verdict).toBe('fails');
  });
  it('is estimated from the transformer where the utility gives none: 50 kVA, 2 %, its tolerance: 11.6 kA', () => {
    const { faults } = wired({ ...aWiredHouse(), wiring: { ...aWiredHouse().wiring, transformerKVA: 50 } });
    expect(faults.get('meter:s')).toBeCloseTo(11_574, 0);
    expect(wired(aWiredHouse()).faults.size).toBe(0);
  });
});

it('a feeder of 6 AWG copper behind 60 A holds here as it does in Panels: one answer', () => {
  expect(checkOf(wired(demoPlans[0]!.plan), 'feeder:barn.conductor').verdict).toBe('holds');
});

describe('the strings of a battery', () => {
  const parts = [
    { unitId: 'woad-93', quantity: 1 },
    { unitId: 'woad-module', quantity: 3 },
  ];
  const design = (said: Parameters<typeof sayOfPart>[2]) => {
    const house = aWiredHouse();
    return wired({ ...house, wiring: sayOfPart(house.wiring, 'strings:s:1', said) }, parts);
  };

  it('share the current at their lowest voltage; the fuse carries 125 % of it, and the cable the fuse', () => {
    const { graph, cables } = design({});
    const string = graph.parts.find(({ id }) => id === 'strings:s:1')!;
    const { continuousA } = string.cable!;
    const stack = graph.sources.find(({ kind }) => kind === 'inverter')!;
    expect(stack.name).toContain('Woad 93');
    expect(string.device!.ratingA!.value).toBeGreaterThanOrEqual(1.25 * continuousA);
    expect(cables.get('strings:s:1')!.judged!.carriesA).toBeGreaterThanOrEqual(string.device!.ratingA!.value);
    expect(string.cable!.voltageV).toBeLessThan(52);
  });

  it('fuses of 125 A on cable of 100 A are found', () => {
    const small = design({ ratingA: 125, size: '3 AWG' });
    expect(checkOf(small, 'strings:s:1.conductor').verdict).toBe('fails');
  });

  it('share it by the resistance of their cables: one cable of half the length carries twice as much', () => {
    expect(checkOf(design({}), 'parallel:inverter:s:1.even').verdict).toBe('holds');
    const { figures, verdict, advice } = checkOf(design({ lengthM: 1 }), 'parallel:inverter:s:1.even');
    expect([verdict, advice]).toEqual(['fails', true]);
    // Kirchhoff by hand: conductances 2 : 1 : 1.
    const all = 3 * design({}).graph.parts.find(({ id }) => id === 'strings:s:1')!.cable!.continuousA;
    expect(figures[0]!.value).toBeCloseTo(all / 2);
    expect(figures[1]!.value).toBeCloseTo((1.1 * all) / 3);
  });

  it('are drawn as one where they are many, and bought all the same', () => {
    const many = wired(aWiredHouse(), [
      { unitId: 'woad-93', quantity: 1 },
      { unitId: 'woad-module', quantity: 6 },
    ]);
    const strings = many.graph.parts.filter(({ cable }) => cable?.use === 'battery');
    expect(strings.map(({ times }) => times)).toEqual([6]);
    const fuses = wiringMaterial(many, conductorAreaMm2, 0).filter(({ name }) => name.startsWith('Fuse'));
    expect(fuses.map(({ quantity }) => quantity)).toEqual([6]);
  });
});
