import { describe, expect, it } from 'vitest';
import { type Circuit, type Panel, surveyProblems, wouldLoop, emptySurvey } from '../../house/index.js';
import { newCircuit, newPanel, newService } from '../../house/details.js';
import { demoPlans, type Plan } from '../../design/index.js';
import type { ConductorMaterial, ConductorSize } from '../../electric/index.js';
import { aPlan } from '../../design/testing/plan.js';
import { aLoad } from '../../house/testing/loads.js';
import { panelFindings } from './panel-findings.js';

const circuit = (id: string, spaces: number[], changes: Partial<Circuit> = {}): Circuit => ({
  ...newCircuit(id, spaces, id),
  ratingA: 20,
  ...changes,
});
const panel = (circuits: Circuit[], changes: Partial<Panel> = {}): Panel => ({
  ...newPanel('main', 'Main', 'split-120-240', { kind: 'service', serviceId: 's' }),
  busRatingA: 200,
  mainBreakerA: 200,
  bonded: true,
  circuits,
  ...changes,
});
const house = (panels: Panel[], changes: Partial<Plan> = {}): Plan =>
  aPlan([], {
    survey: { ...emptySurvey(), services: [{ ...newService('s', 'Service'), ratingA: 200 }], panels },
    ...changes,
  });
const keys = (plan: Plan): string[] =>
  panelFindings(plan).map(({ key }) => key.replace(/^panel\.[^.]+\./, ''));

describe('findings about panels', () => {
  it('are none for a plain, correct panel', () => {
    expect(keys(house([panel([circuit('a', [1]), circuit('b', [2, 4], { ratingA: 30 })])]))).toEqual([]);
  });

  it('name overfilled spaces, and leave a tandem alone', () => {
    expect(keys(house([panel([circuit('a', [1]), circuit('b', [1])])]))).toEqual(['overfilled']);
    expect(
      keys(house([panel([circuit('a', [1], { half: 'a' }), circuit('b', [1], { half: 'b' })])])),
    ).toEqual([]);
    expect(keys(house([panel([circuit('a', [43])])]))).toEqual(['outside']);
  });

  it('know a quad of two two-pole breakers in two spaces', () => {
    const quad = [circuit('outer', [2, 4], { half: 'a' }), circuit('inner', [2, 4], { half: 'b' })];
    expect(keys(house([panel(quad)]))).toEqual([]);
  });

  it('notice a two-pole breaker on one leg: spaces side by side', () => {
    expect(keys(house([panel([circuit('range', [1, 2])])]))).toEqual(['one-leg.range']);
    expect(keys(house([panel([circuit('range', [1, 3])])]))).toEqual([]);
  });

  it('notice a shared neutral on one leg, without a tie, or alone', () => {
    const pair = (spaces: [number, number], handleTie: boolean): string[] =>
      keys(
        house([
          panel([
            circuit('a', [spaces[0]], { neutralGroup: 'A', handleTie }),
            circuit('b', [spaces[1]], { neutralGroup: 'A', handleTie }),
          ]),
        ]),
      );
    expect(pair([1, 5], true)).toEqual(['neutral-clash.A']);
    expect(pair([1, 3], false)).toEqual(['neutral-tie.A']);
    expect(pair([1, 3], true)).toEqual([]);
    expect(keys(house([panel([circuit('a', [1], { neutralGroup: 'A' })])]))).toEqual(['neutral-alone.A']);
  });

  // NEC 2023, 240.4(D) (recalled): 14 AWG copper at most 15 A, 12 AWG 20 A, 10 AWG 30 A.
  it.each([
    ['14 AWG', 15, []],
    ['14 AWG', 20, ['conductor.a']],
    ['12 AWG', 20, []],
    ['10 AWG', 40, ['conductor.a']],
    // Next standard size above 65 A: 240.4(B), 240.6 (recalled).
    ['6 AWG', 70, []],
    ['6 AWG', 80, ['conductor.a']],
  ] as const)('hold a breaker on %s of %i A against the conductor', (size, ratingA, expected) => {
    const one = circuit('a', [1], { ratingA, conductor: { size, material: 'copper', ratedC: 75 } });
    expect(keys(house([panel([one])]))).toEqual(expected);
  });

  // 110.14(C)(1), 334.80 (recalled): 8 AWG copper is good for 40 A at 60 °C and for 50 A at 75 °C.
  it.each([
    [40, null, []],
    [50, null, ['consider']],
    [50, 60, ['must-fix']],
    [50, 75, []],
    [60, null, ['must-fix']],
  ] as const)(
    'ask for the marks of terminals: %i A on 8 AWG, rated for %s °C',
    (ratingA, ratedC, expected) => {
      const one = circuit('a', [1, 3], { ratingA, conductor: { size: '8 AWG', material: 'copper', ratedC } });
      expect(panelFindings(house([panel([one])])).map(({ severity }) => severity)).toEqual(expected);
    },
  );

  it('take the column of three loaded conductors in three phases', () => {
    const keysOf = (spaces: number[]) => {
      const conductor = { size: '2.5 mm²', material: 'copper', ratedC: null } as const;
      return keys(
        house([panel([circuit('a', spaces, { ratingA: 25, conductor })], { layout: 'one-row' })], {
          supply: { system: 'three-230-400', frequencyHz: 50, serviceRatingA: 63 },
        }),
      );
    };
    expect(keysOf([1])).toEqual([]);
    expect(keysOf([1, 2, 3])).toEqual(['conductor.a']);
  });

  it('notice a bond below another one, but let two mains behind one meter each have theirs', () => {
    const main = panel([circuit('feeder', [1, 3], { ratingA: 60 })]);
    const sub: Panel = {
      ...newPanel('sub', 'Sub', 'split-120-240', { kind: 'circuit', circuitId: 'feeder' }),
      busRatingA: 100,
      bonded: true,
    };
    expect(keys(house([main, sub]))).toEqual(['bonds']);
    expect(keys(house([main, { ...sub, bonded: false }]))).toEqual([]);
    const second = { ...panel([]), id: 'second', name: 'Second' };
    expect(keys(house([panel([]), second]))).toEqual([]);
    expect(keys(house([{ ...panel([]), bonded: false }]))).toEqual(['no-bond']);
  });

  it('notice a panel below its feeder, through breakers and feed-through lugs', () => {
    const main = panel([circuit('feeder', [1, 3], { ratingA: 125 })]);
    const sub = (changes: Partial<Panel>): Panel => ({
      ...newPanel('sub', 'Sub', 'split-120-240', { kind: 'circuit', circuitId: 'feeder' }),
      bonded: false,
      ...changes,
    });
    expect(keys(house([main, sub({ busRatingA: 100 })]))).toEqual(['bus']);
    expect(keys(house([main, sub({ busRatingA: 100, mainBreakerA: 100 })]))).toEqual([]);
    expect(keys(house([main, sub({ busRatingA: 125 })]))).toEqual([]);
    const lugs = sub({ busRatingA: 125, fedFrom: { kind: 'lugs', panelId: 'main' } });
    expect(keys(house([panel([]), lugs]))).toEqual(['bus']);
  });

  it('notice a thin feeder, and let 4/0 aluminium carry a dwelling of 200 A (NEC 310.12, recalled)', () => {
    const behind = (size: ConductorSize, material: ConductorMaterial, breakerA: number) =>
      panel([], { feeder: { breakerA, conductor: { size, material, ratedC: null }, lengthM: null } });
    const feeder = (...of: Parameters<typeof behind>) => keys(house([behind(...of)]));
    expect(feeder('4/0 AWG', 'aluminium', 200)).toEqual([]);
    expect(feeder('4/0 AWG', 'aluminium', 225)).toEqual(['feeder']);
    expect(feeder('1/0 AWG', 'aluminium', 200)).toEqual(['feeder']);
    // The 83 % already is the allowance: nothing is rounded up on top of it.
    expect(feeder('1/0 AWG', 'copper', 175)).toEqual([]);
    expect(feeder('1/0 AWG', 'copper', 200)).toEqual(['feeder']);
    expect(feeder('2 AWG', 'copper', 150)).toEqual(['feeder']);
    // Of two panels behind one service neither carries the whole dwelling.
    const second = { ...panel([]), id: 'second', name: 'Second' };
    expect(keys(house([behind('2/0 AWG', 'copper', 200), second]))).toEqual(['feeder']);
  });

  it('notice a breaker of another family', () => {
    const strange = panel([circuit('a', [1], { family: 'Tansy' }), circuit('b', [3], { family: 'sorrel' })], {
      family: 'Sorrel',
    });
    const found = panelFindings(house([strange]));
    expect(found.map(({ circuitIds }) => circuitIds)).toEqual([['a']]);
  });

  it('notice circuits without a load, heavy loads together, and loads with more poles than their circuit', () => {
    const heater = (id: string, watts: number) =>
      aLoad({ id, name: id, runningPowerW: watts, circuitId: 'a', legs: 'L1' });
    const plan = house([panel([circuit('a', [1]), circuit('b', [3])])], {
      loads: [heater('toaster', 1300), heater('kettle', 1400)],
    });
    expect(keys(plan)).toEqual(['no-load', 'heavy.a']);
    const pump = aLoad({ circuitId: 'a', legs: 'L1-L2' });
    expect(keys(house([panel([circuit('a', [1])])], { loads: [pump] }))).toEqual(['load-poles.a']);
  });

  // 210.20(A), 625.41, 422.13 (recalled): 125 % of a load that counts as continuous.
  it.each([
    ['vehicle', 7680, 40, []],
    ['vehicle', 9600, 40, ['consider']],
    ['vehicle', 9700, 40, ['must-fix']],
    ['water-heater', 4500, 25, []],
    ['water-heater', 4500, 20, ['consider']],
    ['range', 9600, 40, []],
    ['range', 9700, 40, ['must-fix']],
  ] as const)('hold a %s of %i W against a breaker of %i A', (kind, runningPowerW, ratingA, expected) => {
    const load = aLoad({ kind, runningPowerW, powerFactor: 1, circuitId: 'a', legs: 'L1-L2' });
    const plan = house([panel([circuit('a', [1, 3], { ratingA })])], { loads: [load] });
    expect(panelFindings(plan).map(({ severity }) => severity)).toEqual(expected);
  });

  it('count a load on three legs by its current in each of them', () => {
    // 11 kW at 400 V are 15.9 A: √3 · 400 V · I.
    const load = aLoad({
      kind: 'vehicle',
      runningPowerW: 11_000,
      powerFactor: 1,
      circuitId: 'a',
      legs: 'L1-L2-L3',
    });
    const of = (ratingA: number) =>
      keys(
        house([panel([circuit('a', [1, 2, 3], { ratingA })], { layout: 'one-row' })], {
          loads: [load],
          supply: { system: 'three-230-400', frequencyHz: 50, serviceRatingA: 63 },
        }),
      );
    expect(of(16)).toEqual([]);
    expect(of(13)).toEqual([`load-breaker.${load.id}`]);
  });

  it('name the faults that were put into the demo', () => {
    expect(keys(demoPlans[0]!.plan)).toEqual(
      expect.arrayContaining([
        'neutral-clash.A',
        'conductor.cellar-18',
        'no-load',
        'bonds',
        'heavy.cellar-5',
      ]),
    );
  });
});

describe('the tree of panels', () => {
  const a = panel([circuit('feeder', [1, 3])]);
  const b: Panel = {
    ...newPanel('sub', 'Sub', 'split-120-240', { kind: 'circuit', circuitId: 'feeder' }),
    circuits: [circuit('back', [1])],
  };
  const { survey } = house([a, b]);

  it('refuses a panel that feeds itself, over however many panels', () => {
    expect(wouldLoop(survey, 'main', { kind: 'circuit', circuitId: 'back' })).toBe(true);
    expect(wouldLoop(survey, 'main', { kind: 'lugs', panelId: 'main' })).toBe(true);
    expect(wouldLoop(survey, 'sub', { kind: 'lugs', panelId: 'main' })).toBe(false);
  });

  it('is checked when a job is read', () => {
    expect(surveyProblems(survey)).toEqual([]);
    const twins = { ...survey, panels: [a, { ...b, circuits: [circuit('feeder', [2])] }] };
    expect(surveyProblems(twins)[0]?.message).toContain('used twice');
    const lost = { ...survey, panels: [{ ...a, fedFrom: { kind: 'service' as const, serviceId: 'gone' } }] };
    expect(surveyProblems(lost)[0]?.message).toContain('does not exist');
    const loop = {
      ...survey,
      panels: [{ ...a, fedFrom: { kind: 'circuit' as const, circuitId: 'back' } }, b],
    };
    expect(surveyProblems(loop)[0]?.message).toContain('feed itself');
    expect(surveyProblems({ ...survey, monitorCircuitId: 'none' })[0]?.path).toEqual(['monitorCircuitId']);
  });
});
