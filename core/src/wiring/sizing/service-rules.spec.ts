import { describe, expect, it } from 'vitest';
import {
  demoPlans,
  islandWiring,
  type IslandWiring,
  moveToLane,
  type Plan,
  sayOfPart,
  sayOfString,
  usualArray,
  type Wiring,
} from '../../design/index.js';
import { aWiredHouse, wired } from '../testing/wired.js';

const saying = (plan: Plan, wiring: Partial<Wiring>): Plan => ({
  ...plan,
  wiring: { ...plan.wiring, ...wiring },
});
const ofIsland = (plan: Plan, change: Partial<IslandWiring>): Plan =>
  saying(plan, { islands: [{ ...islandWiring({ islands: [] }, 's'), ...change }] });
const under = (plan: Plan, packId: Plan['code']['packId']): Plan => ({
  ...plan,
  code: { ...plan.code, packId },
});
const checkOf = (plan: Plan, key: string, parts?: Parameters<typeof wired>[1]) =>
  wired(plan, parts).checks.find((check) => check.key === key);
const house = aWiredHouse();

describe('a tap', () => {
  // NEC 2023, 240.21(B)(1) and (2) (recalled): within 10 ft a tenth of the device ahead, within 25 ft a third; never less than what it ends in.
  const tapped = (lengthM: number, size: '6 AWG' | '3 AWG' | '1/0 AWG') =>
    checkOf(
      { ...house, wiring: sayOfPart(house.wiring, 'combined:s', { tap: true, lengthM, size }) },
      'combined:s.tap',
    );
  it('of 10 ft carries its load, of 25 ft a third of 200 A, and none is longer', () => {
    expect(tapped(3, '6 AWG')).toMatchObject({ verdict: 'holds' });
    expect(tapped(6, '6 AWG')?.verdict).toBe('fails');
    expect(tapped(6, '3 AWG')).toMatchObject({
      verdict: 'holds',
      rule: expect.stringContaining('240.21(B)(2)') as string,
    });
    expect(tapped(8, '1/0 AWG')?.verdict).toBe('fails');
  });
  it('has no device, and nothing is asked of one', () => {
    const design = wired({ ...house, wiring: sayOfPart(house.wiring, 'output:s:1', { tap: true }) });
    expect(design.graph.parts.find(({ id }) => id === 'output:s:1')!.device).toBeNull();
    expect(design.checks.some(({ key }) => key === 'output:s:1.device')).toBe(false);
  });
});

describe('a string of modules', () => {
  // NEC 2023, Table 690.7(A) (recalled): 1.18 at −20 °C; 10 × 49.5 V × 1.18 = 584 V.
  const sunny = { ...house, sources: { ...house.sources, arrays: [usualArray(house, 'roof', 'Roof')] } };
  const strung = (inSeries: number, openPerC: number | null = null) =>
    checkOf(
      saying(sunny, {
        ...sayOfString(sunny.wiring, 'roof', { inSeries, openV: 49.5, openPerC, inputMaxV: 600 }),
        coldestC: -20,
      }),
      'string:roof.cold',
    );
  it('stays within its input at the coldest hour', () => {
    expect(strung(10)).toMatchObject({ verdict: 'holds' });
    expect(strung(10)!.figures[0]!.value).toBeCloseTo(584.1, 1);
    expect(strung(11)?.verdict).toBe('fails');
    // −0.27 % for each of 45 °C: 12.15 % more.
    expect(strung(11, -0.0027)!.figures[0]!.value).toBeCloseTo(11 * 49.5 * 1.1215, 1);
  });
  it('of which nobody read anything is not asked about, half known it is open', () => {
    expect(checkOf(sunny, 'string:roof.cold')).toBeUndefined();
    const half = saying(sunny, sayOfString(sunny.wiring, 'roof', { inSeries: 10 }));
    expect(checkOf(half, 'string:roof.cold')?.verdict).toBe('unknown');
  });
});

describe('conductors ahead of the service disconnect', () => {
  const open = {
    ...house,
    survey: {
      ...house.survey,
      services: house.survey.services.map((service) => ({ ...service, mainBreakerA: null })),
    },
  };
  const sizeAt = (plan: Plan) => wired(plan).cables.get('combined:s')!.conductor!.size;
  // 705.11 (recalled): not thinner than 6 AWG copper.
  it('are at least 6 AWG copper', () => {
    const ahead = ofIsland(open, { joins: 'enclosure' });
    const small = { ...ahead, wiring: sayOfPart(ahead.wiring, 'combined:s', { size: '8 AWG' }) };
    expect(wired(small).cables.get('combined:s')!.judged!.why).toMatch(/705\.11|carries/);
    expect(
      wired(small)
        .cables.get('combined:s')!
        .tried.slice(0, 4)
        .every(({ holds }) => !holds),
    ).toBe(true);
    expect(sizeAt(ahead)).not.toBe('8 AWG');
  });
});

describe('charging from the grid', () => {
  const withMain = (mainBreakerA: number): Plan => ({
    ...house,
    survey: {
      ...house.survey,
      services: house.survey.services.map((service) => ({ ...service, mainBreakerA })),
    },
  });
  const key = 'charging:s.charging';
  it('adds to the loads of the service, unless a control system holds the sum', () => {
    const [total, limit] = [checkOf(withMain(200), key), checkOf(withMain(60), key)];
    expect(total?.verdict).toBe('holds');
    expect(limit?.verdict).toBe('fails');
    expect(checkOf(ofIsland(withMain(60), { heldToA: 60 }), key)).toBeUndefined();
  });
});

describe('circuits that move', () => {
  const plan = demoPlans[0]!.plan;
  const found = (of: Plan, name: string) =>
    wired(of)
      .checks.filter(({ ruleId }) => ruleId === name)
      .map(({ verdict }) => verdict);
  it('are asked about arc faults in America, by the clause of the edition', () => {
    const far: Plan = {
      ...plan,
      backup: {
        ...plan.backup,
        services: plan.backup.services.map((one) => ({ ...one, newPanelDistanceM: 3 })),
      },
    };
    expect(found(far, 'moved.arc-fault')).toContain('fails');
    const near = {
      ...far,
      backup: {
        ...far.backup,
        services: far.backup.services.map((one) => ({ ...one, newPanelDistanceM: 1.5 })),
      },
    };
    // Extended by 6 ft or less.
    expect(found(near, 'moved.arc-fault')).toEqual([]);
    const rule = (of: Plan) => wired(of).checks.find(({ ruleId }) => ruleId === 'moved.arc-fault')?.rule;
    expect(rule(far)).toContain('210.12(E)');
    expect(rule(under(far, 'us-2020'))).toContain('210.12(D)');
  });
  it('are asked about residual currents elsewhere: sockets, with lights in Britain, all of them in Australia', () => {
    const vineyard = demoPlans[1]!.plan;
    const moving = {
      ...moveToLane(
        vineyard,
        {
          circuitIds: vineyard.survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id)),
          loadIds: [],
        },
        'on',
      ),
      backup: {
        ...vineyard.backup,
        services: vineyard.backup.services.map((one) => ({ ...one, school: 'loads-panel' as const })),
      },
    };
    const count = (packId: Plan['code']['packId']): number =>
      found(under(moving, packId), 'moved.residual').length;
    expect(count('iec')).toBeGreaterThan(0);
    expect(count('uk')).toBeGreaterThan(count('iec'));
    expect(count('au-nz')).toBeGreaterThan(count('uk'));
  });
});

describe('a connection to the grid', () => {
  const vineyard = demoPlans[1]!.plan;
  const of = (packId: Plan['code']['packId'], key: string) =>
    checkOf(under(vineyard, packId), `connection:street.${key}`, [
      { unitId: 'bracken-141', quantity: 1 },
      { unitId: 'bracken-module', quantity: 3 },
    ]);
  // G98, G99 (recalled): up to and above 16 A a phase.
  it('is told or asked for by the current of a phase in Britain', () => {
    expect(of('uk', 'notice')).toMatchObject({ verdict: 'fails', advice: true });
    expect(of('iec', 'notice')).toBeUndefined();
  });
  it('is balanced in Australia', () => {
    expect(of('au-nz', 'balance')?.verdict).toBe('holds');
  });
});

describe('the neutral of an island', () => {
  const kinds = (plan: Plan): string[] => wired(plan).states.found.map(({ kind }) => kind);
  it('is formed by the inverter or an autotransformer, or nothing may be connected', () => {
    expect(kinds(house)).toEqual([]);
    expect(kinds(ofIsland(house, { neutral: 'none' }))).toContain('no-neutral');
    const formed = ofIsland(house, { neutral: 'autotransformer' });
    // Its breaker is a handle that somebody can open.
    const { found } = wired(formed).states;
    expect(found.length).toBeGreaterThan(0);
    for (const one of found) expect(one).toMatchObject({ kind: 'no-neutral', moved: ['autotransformer:s'] });
  });
});
