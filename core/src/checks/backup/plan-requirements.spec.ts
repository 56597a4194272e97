import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  moveToLane,
  changeServiceBackup,
  demoPlans,
  type Plan,
  type ServiceBackup,
} from '../../design/index.js';
import { evaluatePlan } from '../../study/index.js';
import { aHouse, type Way } from '../../design/testing/house.js';
import { withStack } from '../../design/testing/plan.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { planRequirements } from './plan-requirements.js';

const load = (id: string, watts: number, changes = {}) =>
  aLoad({ id, name: id, runningPowerW: watts, powerFactor: 1, use: allSeasons(aroundTheClock), ...changes });
const ways: Way[] = [
  { loads: [load('fridge', 150)] },
  { loads: [load('heater', 6000, { legs: 'L1-L2', tier: 'never' })], notKept: ['heater'] },
  { loads: [load('lights', 200)] },
  { loads: [], changes: { backFeeds: true } },
];
const bonded = (plan: Plan, value: boolean | null): Plan => ({
  ...plan,
  survey: {
    ...plan.survey,
    panels: plan.survey.panels.map((panel) => ({ ...panel, bonded: value, mainBreakerA: 200 })),
  },
});
const house = bonded(aHouse({ s: ways }), true);
const requirements = (said: Partial<ServiceBackup>, plan = house, service = 's') => {
  const changed = withStack(changeServiceBackup(plan, service, said), ['yarrow-79', 2]);
  const list = planRequirements(changed, evaluatePlan(changed, builtInCatalogue)).get(service)!;
  return new Map(list.map((finding) => [finding.key.split('.').at(-1)!, finding]));
};
const severity = (said: Partial<ServiceBackup>, key: string, plan = house) =>
  requirements(said, plan).get(key)?.severity;

describe('a service', () => {
  it('about which nothing is said asks how it is backed up', () => {
    expect([...requirements({}).keys()]).toEqual(['school']);
  });
  it('that is not backed up says what is meant to stay on', () => {
    expect(severity({ school: 'none' }, 'none')).toBe('must-fix');
  });
});

describe('whole house, isolated at the service', () => {
  it('asks for a device rated for the service', () => {
    expect(severity({ school: 'service' }, 'rating')).toBe('consider');
    expect(severity({ school: 'service', isolatingRatingA: 100 }, 'rating')).toBe('must-fix');
    expect(severity({ school: 'service', isolatingRatingA: 200 }, 'rating')).toBe('fine');
  });
  it('that is cut off behind one main asks for a device rated for that main, and for nothing ahead of all', () => {
    const [panel] = house.survey.panels;
    const large = {
      ...house,
      survey: {
        ...house.survey,
        services: house.survey.services.map((service) => ({ ...service, ratingA: 400 })),
        panels: [panel!, { ...panel!, id: 'other', name: 'Other', circuits: [] }],
      },
    };
    const said = { school: 'service', isolatingRatingA: 200 } as const;
    const atMain = { ...said, isolation: { at: 'main', panelId: panel!.id } } as const;
    expect([severity(said, 'rating', large), severity(said, 'two-mains', large)]).toEqual([
      'must-fix',
      'consider',
    ]);
    expect([severity(atMain, 'rating', large), severity(atMain, 'two-mains', large)]).toEqual([
      'fine',
      undefined,
    ]);
  });
  // Common practice, no source: devices at the meter stop at 200 A and need the utility's consent.
  it('lets a device at the meter stop at 200 A and asks for consent', () => {
    const at = { school: 'service', isolatingDevice: 'at-meter', isolatingRatingA: 200 } as const;
    expect(severity(at, 'consent')).toBe('must-fix');
    expect(severity({ ...at, utilityConsent: true }, 'consent')).toBe('fine');
    expect(severity(at, 'at-meter')).toBeUndefined();
    const large = {
      ...house,
      survey: { ...house.survey, services: house.survey.services.map((one) => ({ ...one, ratingA: 320 })) },
    };
    expect(severity(at, 'at-meter', large)).toBe('must-fix');
  });
  it('lets nothing stay dark behind it', () => {
    expect(requirements({ school: 'service' }).get('dark')?.because).toContain('Way 2');
  });
  // NEC 702.4 (2023), recalled from memory: full calculated load under automatic transfer, or load management.
  it('carries the load transferred, or manages it, or is transferred by hand', () => {
    const heavy = bonded(
      aHouse({ s: [{ loads: [load('oven', 22_000, { legs: 'L1-L2', kind: 'other' })] }] }),
      true,
    );
    expect(severity({ school: 'service' }, 'transfer', heavy)).toBe('must-fix');
    expect(severity({ school: 'service', automaticTransfer: false }, 'transfer', heavy)).toBe('fine');
    const circuitIds = heavy.survey.panels.flatMap(({ circuits }) => circuits.map(({ id }) => id));
    const managed = moveToLane(heavy, { circuitIds, loadIds: [] }, 'auto');
    expect(severity({ school: 'service' }, 'transfer', managed)).toBe('fine');
  });
});

describe('a backed-up loads panel', () => {
  const said = { school: 'loads-panel' } as const;
  it('counts circuits to move and spaces they need', () => {
    expect(requirements(said).get('spaces')).toMatchObject({
      severity: 'consider',
      title: 'The new panel needs 2 spaces',
    });
    expect(severity({ ...said, newPanelSpaces: 1 }, 'spaces')).toBe('must-fix');
    expect(severity({ ...said, newPanelSpaces: 12 }, 'spaces')).toBe('fine');
    expect(requirements({ ...said, newPanelDistanceM: 3 }).get('extend')?.because).toMatch(
      /10.ft each, 20.ft of cable in all/,
    );
  });
  it('takes a sub-panel as one, and says what is live with it', () => {
    const farm = demoPlans[0]!.plan;
    const list = planRequirements(farm, evaluatePlan(farm, builtInCatalogue)).get('farm')!;
    // 11 circuits of the cellar panel and the feeder of the barn, with 14 poles; those in the barn come along.
    expect(list.find(({ key }) => key.endsWith('.spaces'))?.because).toContain('12 circuits with 14 poles');
  });
  it('says which solar is dead in an outage', () => {
    expect(requirements(said).get('solar-dead')?.because).toContain('Way 4');
    expect(requirements({ school: 'service' }).has('solar-dead')).toBe(false);
    expect(requirements({ school: 'service' }).has('solar-live')).toBe(true);
  });
});

describe('a feeder splice', () => {
  const farm = demoPlans[0]!.plan;
  const of = (said: Partial<ServiceBackup>) => requirements({ school: 'feeder', ...said }, farm, 'farm');
  it('needs a sub-panel and a pass-through rated for its feeder breaker', () => {
    expect(of({ isolation: { at: 'feeder', panelId: null } }).get('sub-panel')?.because).toContain(
      'Barn panel',
    );
    expect(
      of({ isolation: { at: 'feeder', panelId: 'barn' }, isolatingRatingA: 50 }).get('rating')?.severity,
    ).toBe('must-fix');
    expect(
      of({ isolation: { at: 'feeder', panelId: 'barn' }, isolatingRatingA: 60 }).get('rating')?.severity,
    ).toBe('fine');
  });
  it('reaches nothing outside it', () => {
    expect(of({ isolation: { at: 'feeder', panelId: 'barn' } }).get('outside')?.title).toContain(
      '11 circuits',
    );
  });
});

describe('load control', () => {
  it('takes so many circuits', () => {
    const vineyard = demoPlans[1]!.plan;
    const of = (controlledCircuits: number | null) =>
      requirements({ school: 'controlled', controlledCircuits }, vineyard, 'street').get('control')?.severity;
    expect([of(null), of(5), of(6)]).toEqual(['consider', 'must-fix', 'fine']);
  });
});

describe('the bond of neutral and earth', () => {
  it('exists exactly once while islanded', () => {
    const of = (where: ServiceBackup['bondWhileIslanded'], isBonded: boolean | null) =>
      severity({ school: 'service', bondWhileIslanded: where }, 'bond', bonded(house, isBonded));
    expect(of(null, true)).toBe('consider');
    expect(of('service', true)).toBe('fine');
    expect(of('service', false)).toBe('must-fix');
    // Nobody has looked: that is not the same as none.
    expect(of('service', null)).toBe('consider');
    expect(of('isolating-device', true)).toBe('must-fix');
    expect(of('isolating-device', false)).toBe('fine');
    expect(of('inverter', true)).toBe('must-fix');
  });
});

describe('two services', () => {
  const two = aHouse({ a: [{ loads: [load('one', 300)] }], b: [{ loads: [load('two', 300)] }] });
  it('with a system of its own is not joined to another', () => {
    expect(requirements({ school: 'split', islandId: 'a' }, two, 'b').get('joined')?.severity).toBe(
      'must-fix',
    );
    expect(requirements({ school: 'service', islandId: 'a' }, two, 'b').get('joined')?.severity).toBe(
      'consider',
    );
  });
});
