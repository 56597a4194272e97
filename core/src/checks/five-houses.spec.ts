import { describe, expect, it } from 'vitest';
import { newPanel } from '../house/details.js';
import { type Plan, type ServiceBackup, usualArray, usualGenerator } from '../design/index.js';
import { aWiredHouse, device, wired } from '../wiring/testing/wired.js';
import { liveAt, networkOf } from '../wiring/index.js';
import { panelFindings } from './house/panel-findings.js';

/** A 400 A meter with two mains, a breaker ahead of each; one side is backed up, with a generator and solar. */
function twoMains(): Plan {
  const plan = aWiredHouse({}, {
    isolation: { at: 'main', panelId: 'panel-s' },
    isolatingRatingA: 200,
  } satisfies Partial<ServiceBackup>);
  const [first] = plan.survey.panels;
  const feeder = {
    breakerA: 200,
    conductor: { size: '4/0 AWG', material: 'aluminium', ratedC: 75 },
    lengthM: 10,
  } as const;
  return {
    ...plan,
    survey: {
      ...plan.survey,
      services: plan.survey.services.map((service) => ({ ...service, ratingA: 400, mainBreakerA: null })),
      panels: [
        { ...first!, feeder },
        {
          ...newPanel('other', 'Other side', 'split-120-240', { kind: 'service', serviceId: 's' }),
          busRatingA: 200,
          mainBreakerA: 200,
          bonded: true,
          feeder,
        },
      ],
    },
    sources: {
      ...plan.sources,
      arrays: [usualArray(plan, 'roof', 'Roof')],
      generator: { ...usualGenerator('auto'), connection: 'through', locksSolarOut: true },
    },
    wiring: { ...plan.wiring, generatorNeutral: 'floating', transferNeutral: 'solid' },
  };
}

describe('a 400 A meter with two mains, one side backed up', () => {
  const plan = twoMains();
  const design = wired(plan);

  it('isolates the one side at its 200 A, and leaves the other on the grid', () => {
    expect(design.checks.find(({ ruleId }) => ruleId === 'isolating.rating')).toMatchObject({
      verdict: 'holds',
      ratio: 1,
    });
    const live = liveAt(networkOf(design.graph), {}, { grid: false, generator: false, battery: true });
    expect(live.has('bus:panel-s')).toBe(true);
    expect(live.has('bus:other')).toBe(false);
  });

  // NEC 250.24, 230.71 (recalled): two service disconnects in separate enclosures each carry their bond.
  it('lets each main have its bond, and finds no danger', () => {
    expect(design.states.found).toEqual([]);
    const unlocked = {
      ...plan,
      sources: { ...plan.sources, generator: { ...plan.sources.generator!, locksSolarOut: false } },
    };
    expect(wired(unlocked).states.found.map(({ kind }) => kind)).toContain('solar-generator');
  });

  it('needs a larger device, or one for each main, where the whole is to be backed up', () => {
    const whole: Plan = {
      ...plan,
      backup: {
        ...plan.backup,
        services: plan.backup.services.map((one) => ({ ...one, isolation: { at: 'service' as const } })),
      },
    };
    expect(wired(whole).checks.find(({ ruleId }) => ruleId === 'isolating.rating')?.verdict).toBe('fails');
  });
});

describe('a new main set ahead of an old main panel', () => {
  const said: Partial<ServiceBackup> = {
    isolatingDevice: 'transfer-switch',
    isolatingRatingA: 200,
    bondWhileIslanded: 'service',
  };
  const ahead = (bonded: boolean): Plan => {
    const plan = aWiredHouse({ bonded, between: [device('emergency-disconnect', 200)] }, said);
    return {
      ...plan,
      survey: {
        ...plan.survey,
        services: plan.survey.services.map((service) => ({ ...service, mainBreakerA: 200 })),
        panels: plan.survey.panels.map((panel) => ({
          ...panel,
          mainBreakerA: null,
          feeder: { breakerA: 90, conductor: null, lengthM: 8 },
        })),
      },
    };
  };

  it('makes a sub-panel of the old one: its bond must go, the new main has it', () => {
    expect(wired(ahead(false)).states.found).toEqual([]);
    const titles = (plan: Plan) => panelFindings(plan).map(({ key }) => key);
    expect(titles(ahead(true))).toContain('panel.panel-s.bond-behind');
    expect(titles(ahead(false))).not.toContain('panel.panel-s.bond-behind');
    // A relay as well as the bond at the new main is one too many.
    const relay = ahead(false);
    const twice = {
      ...relay,
      backup: {
        ...relay.backup,
        services: relay.backup.services.map((one) => ({
          ...one,
          bondWhileIslanded: 'isolating-device' as const,
        })),
      },
    };
    expect(wired(twice).states.found.map(({ kind }) => kind)).toContain('two-bonds');
  });

  // NEC 240.4(B), 250.122 (recalled): 4 AWG copper carries 85 A at 75 °C, the next standard device is 90 A; its earth is 8 AWG.
  it('feeds it by 90 A: 4 AWG copper, with an earth of 8 AWG', () => {
    const design = wired(ahead(false));
    const cable = design.cables.get('feeder:panel-s')!;
    expect(cable.tried.at(-1)!.size).toBe('4 AWG');
    expect(design.graph.parts.find(({ id }) => id === 'feeder:panel-s')!.device!.ratingA!.value).toBe(90);
  });

  it('asks for surge protection, and finds the emergency disconnect', () => {
    const checks = wired(ahead(false)).checks;
    expect(checks.find(({ ruleId }) => ruleId === 'equipment.surge')?.verdict).toBe('unknown');
    expect(checks.find(({ ruleId }) => ruleId === 'equipment.emergency')?.verdict).toBe('holds');
    const plan = ahead(false);
    const surged = { ...plan, wiring: { ...plan.wiring, surge: true } };
    expect(wired(surged).checks.find(({ ruleId }) => ruleId === 'equipment.surge')?.verdict).toBe('holds');
  });
});
