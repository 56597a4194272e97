import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan, type Plan } from '../design/index.js';
import type { SupplySystem } from '../electric/index.js';
import { type Lot, type Opening, placeKinds, type PlaceKind, type Wall } from '../house/index.js';
import { checkPlacement } from './check-placement.js';
import type { ClimateFacts } from './climate/climate-facts.js';
import { aThing, anOpening, aWall, placedPlan } from './testing/placed.js';
import type { Thing } from './things/thing.js';

interface Case {
  readonly wall?: Partial<Wall>;
  readonly things?: readonly Partial<Thing>[];
  /** Left and bottom of each, m. */
  readonly at?: readonly (readonly [number, number])[];
  readonly lot?: Partial<Lot>;
  readonly work?: Parameters<typeof placedPlan>[3] extends infer M
    ? M extends { work?: infer W }
      ? W
      : never
    : never;
  readonly system?: SupplySystem;
  readonly code?: Plan['code'];
  readonly climates?: readonly ClimateFacts[];
}

const us = 'split-120-240';
const elsewhere = 'single-230';
const au: Plan['code'] = { packId: 'au-nz', rules: [] };
const uk: Plan['code'] = { packId: 'uk', rules: [] };
/** Less than anybody measures, m. */
const hair = 0.001;

/** Last parts of the keys of what is found, of a severity or worse. */
function found(of: Case, must = true): string[] {
  const things = (of.things ?? [{}]).map((changes, index) =>
    aThing({ id: `unit:house:box:${index + 1}`, name: `Box ${index + 1}`, ...changes }),
  );
  const places = things.map(({ id }, index) => {
    const [leftM, bottomM] = of.at?.[index] ?? [1 + 2 * index, 0.5];
    return { thingId: id, wallId: 'wall', leftM, bottomM };
  });
  const blank = emptyPlan(of.system ?? us);
  const plan = placedPlan(
    { ...blank, ...(of.code ? { code: of.code } : {}) },
    [aWall({ openings: [], firstStudM: 0.2, ...of.wall })],
    places,
    {
      ...(of.lot ? { lot: of.lot } : {}),
      ...(of.work ? { work: of.work } : {}),
    },
  );
  return checkPlacement(plan, things, of.climates ?? [])
    .findings.filter(({ severity }) => !must || severity !== 'consider')
    .map(({ key }) => key.split('.').slice(0, 2).join('.'));
}

const beside = (kind: Opening['kind'], gapM: number): Partial<Wall> => ({
  openings: [anOpening({ kind, leftM: 1.6 + gapM, bottomM: 0.5, widthM: 0.5, heightM: 1 })],
});

describe('rules of a wall, just inside and just outside their limits', () => {
  // Each: a rule, how to stand at so many metres (kWh, …), the limit, and whether more is better.
  const limits: readonly (readonly [
    rule: string,
    limit: number,
    more: boolean,
    at: (value: number) => Case,
  ])[] = [
    // IRC R328 and NEC, recalled.
    ['placed.doors', 0.9144, true, (m) => ({ wall: beside('door', m) })],
    ['placed.doors', 0.9144, true, (m) => ({ wall: beside('window', m) })],
    ['placed.gas', 0.9144, true, (m) => ({ wall: beside('gas-meter', m) })],
    [
      'placed.between',
      0.9144,
      true,
      (m) => ({
        things: [{}, {}],
        at: [
          [1, 0.5],
          [1.6 + m, 0.5],
        ],
      }),
    ],
    [
      'placed.between',
      0.9144,
      true,
      (m) => ({
        wall: { heightM: 4 },
        things: [{}, {}],
        at: [
          [1, 0.5],
          [1, 1.5 + m],
        ],
      }),
    ],
    ['placed.unit-energy', 20_000, false, (energyWh) => ({ things: [{ energyWh }] })],
    [
      'energy.indoors',
      40_000,
      false,
      (wh) => ({ wall: { place: 'basement' }, things: [{ energyWh: wh / 2 }, { energyWh: wh / 2 }] }),
    ],
    ['energy.elsewhere', 80_000, false, (wh) => ({ things: [1, 2, 3, 4].map(() => ({ energyWh: wh / 4 })) })],
    ['placed.working-depth', 0.9144, true, (freeBeforeM) => ({ wall: { freeBeforeM } })],
    [
      'placed.handle',
      2.0066,
      false,
      (m) => ({ wall: { heightM: 4 }, things: [{ kind: 'disconnect', energyWh: 0 }], at: [[1, m - 0.5]] }),
    ],
    ['placed.flood', 0.4, true, (bottomM) => ({ lot: { floodM: 0.4 }, at: [[1, bottomM]] })],
    [
      'placed.before',
      1.2,
      true,
      (freeBeforeM) => ({
        wall: { freeBeforeM },
        things: [{ clear: { aboveM: 0, belowM: 0, besideM: 0, frontM: 1.2 } }],
      }),
    ],
    [
      'placed.room',
      0.3,
      true,
      (m) => ({
        wall: beside('tap', m),
        things: [{ clear: { aboveM: 0, belowM: 0, besideM: 0.3, frontM: 0 } }],
      }),
    ],
    ['placed.inside', 5.4, false, (leftM) => ({ at: [[leftM, 0.5]] })],
    ['placed.inside', 0, true, (leftM) => ({ at: [[leftM, 0.5]] })],
    // AS/NZS 5139 and PAS 63100, recalled.
    ['placed.doors', 0.6, true, (m) => ({ code: au, system: elsewhere, wall: beside('door', m) })],
    ['placed.doors', 0.6, true, (m) => ({ code: au, system: elsewhere, wall: beside('appliance', m) })],
    [
      'placed.above',
      0.9,
      true,
      (m) => ({
        code: au,
        system: elsewhere,
        wall: {
          heightM: 4,
          openings: [anOpening({ kind: 'window', leftM: 1.2, bottomM: 1.5 + m, widthM: 0.3, heightM: 0.5 })],
        },
      }),
    ],
    ['placed.doors', 1, true, (m) => ({ code: uk, system: elsewhere, wall: beside('window', m) })],
    ['placed.doors', 1, true, (m) => ({ code: uk, system: elsewhere, wall: beside('vent', m) })],
  ];
  it.each(limits)('%s at %f', (rule, limit, more, at) => {
    const step = limit > 100 ? 1 : hair;
    expect(found(at(limit))).not.toContain(rule);
    expect(found(at(limit + (more ? step : -step)))).not.toContain(rule);
    expect(found(at(limit + (more ? -step : step)))).toContain(rule);
  });
});

describe('where storage may stand', () => {
  const allowed = (code: Plan['code'] | undefined, system: SupplySystem): PlaceKind[] =>
    (Object.keys(placeKinds) as PlaceKind[]).filter(
      (place) => !found({ wall: { place }, system, ...(code ? { code } : {}) }).includes('placed.allowed'),
    );
  it('by the code of the place (recalled)', () => {
    const never: PlaceKind[] = ['bedroom', 'attic', 'stairs', 'hallway', 'crawl-space'];
    for (const [code, system] of [
      [undefined, us],
      [uk, elsewhere],
      [au, elsewhere],
      [undefined, elsewhere],
    ] as const)
      for (const place of never) expect(allowed(code, system)).not.toContain(place);
    expect(allowed(undefined, us)).not.toContain('living');
    expect(allowed(au, elsewhere)).not.toContain('living');
    for (const place of ['outdoors', 'attached-garage', 'utility-room'] as const) {
      expect(allowed(undefined, us)).toContain(place);
      expect(allowed(au, elsewhere)).toContain(place);
      expect(allowed(uk, elsewhere)).toContain(place);
    }
  });

  it('indoors needs an alarm, a driveway protection, a closet gypsum; what nobody said is open', () => {
    const garage: Partial<Wall> = { place: 'attached-garage' };
    expect(found({ wall: garage, work: { detection: false, impact: 'none' } })).toEqual(
      expect.arrayContaining(['placed.detection', 'placed.impact']),
    );
    expect(found({ wall: garage })).not.toContain('placed.detection');
    expect(found({ wall: garage }, false)).toEqual(
      expect.arrayContaining(['placed.detection', 'placed.impact']),
    );
    expect(found({ wall: garage, work: { detection: true, impact: 'bollards' } }, false)).not.toContain(
      'placed.detection',
    );
    expect(found({ wall: { place: 'utility-closet' }, work: { board: false } })).toContain(
      'placed.closet-board',
    );
    expect(
      found({
        wall: { behind: 'bedroom', combustible: true },
        work: { board: false },
        code: au,
        system: elsewhere,
      }),
    ).toContain('placed.barrier');
    expect(
      found({
        wall: { behind: 'bedroom', combustible: true },
        work: { board: true },
        code: au,
        system: elsewhere,
      }),
    ).not.toContain('placed.barrier');
  });

  it('a fire test allows less between two units, and holds them to that', () => {
    const pair = (gapM: number): Case => ({
      things: [{ betweenM: 0.2 }, { betweenM: 0.2 }],
      at: [
        [1, 0.5],
        [1.6 + gapM, 0.5],
      ],
    });
    expect(found(pair(0.2))).not.toContain('placed.tested');
    expect(found(pair(0.2 - hair))).toContain('placed.tested');
    expect(found(pair(0.3))).not.toContain('placed.between');
  });

  it('a working space gives way sideways, and is blocked where it cannot', () => {
    const panel = (at: readonly Opening[]): string[] =>
      found({
        things: [{ kind: 'panel', energyWh: 0, widthM: 0.4, heightM: 0.8 }],
        at: [[2, 1]],
        wall: { openings: [...at] },
      });
    const left = anOpening({ id: 'l', kind: 'shelf', leftM: 1, widthM: 0.95, bottomM: 0, heightM: 0.9 });
    const right = anOpening({ id: 'r', kind: 'shelf', leftM: 2.5, widthM: 1, bottomM: 0, heightM: 0.9 });
    expect(panel([left])).not.toContain('placed.working');
    // 550 mm between the two, 762 mm are asked for.
    expect(panel([left, right])).toContain('placed.working');
  });
});

describe('the place as a whole', () => {
  it('lead-acid indoors is ventilated, and data sheets end at 2,000 m', () => {
    const acid = {
      battery: { chemistry: 'lead-acid' },
      body: { ingress: '', noiseDb: null },
    } as unknown as Thing['unit'];
    const bank: Case = { wall: { place: 'basement' }, things: [{ unit: acid }] };
    expect(found({ ...bank, work: { ventilated: false } })).toContain('placed.ventilated');
    expect(found({ ...bank, work: { ventilated: true } }, false)).not.toContain('placed.ventilated');
    expect(found({ things: [{ unit: acid }] }, false)).not.toContain('placed.ventilated');
    expect(found({ lot: { altitudeM: 2000 } }, false)).not.toContain('placement.altitude');
    expect(found({ lot: { altitudeM: 2001 } }, false)).toContain('placement.altitude');
  });
});

describe('how it is held', () => {
  it('on studs: two of them, or plywood; never on cladding alone', () => {
    const wall = { studSpacingM: 0.6, firstStudM: 0.3 };
    // 0.6 m wide: one stud behind it, unless both its edges are just beyond two.
    expect(found({ wall, at: [[0.45, 0.5]] })).toContain('holding.studs');
    expect(found({ wall, at: [[0.45, 0.5]], work: { plywood: true } })).not.toContain('holding.studs');
    expect(found({ wall: { studSpacingM: 0.4, firstStudM: 0.3 }, at: [[0.2, 0.5]] })).not.toContain(
      'holding.studs',
    );
    expect(found({ wall: { studSpacingM: null } }, false)).toContain('holding.studs');
  });
  it('by screws that hold: a heavy, deep one on thick sheathing does not', () => {
    const heavy: Case = {
      things: [{ massKg: 400, depthM: 0.5 }],
      wall: { coverMm: 35, studSpacingM: 0.4 },
      at: [[0.9, 0.5]],
    };
    expect(found(heavy)).toContain('holding.screws');
    expect(found({ ...heavy, things: [{ massKg: 60, depthM: 0.2 }] })).not.toContain('holding.screws');
    // What stands is only kept from tipping.
    expect(
      found({ ...heavy, things: [{ massKg: 400, depthM: 0.5, mounting: 'floor' }], at: [[0.9, 0]] }),
    ).not.toContain('holding.screws');
  });
  it('needs a lift where more than four people would have to carry', () => {
    expect(found({ things: [{ massKg: 92 }] }, false)).not.toContain('holding.lift');
    expect(found({ things: [{ massKg: 93 }] }, false)).toContain('holding.lift');
  });
});

describe('sun and temperature', () => {
  const unit = {
    id: 'u',
    name: 'U',
    role: 'battery-module',
    summary: '',
    massKg: 1,
    inverter: null,
    controllerW: null,
    assumed: [],
    retired: false,
    battery: { chemistry: 'lithium' },
  } as unknown as NonNullable<Thing['unit']>;
  const body = { hottestC: 50, coldestC: -10, heaterW: null };
  const climate = (facts: Partial<ClimateFacts>): Case => ({
    things: [{ unit: { ...unit, body } as NonNullable<Thing['unit']> }],
    climates: [
      {
        thingId: 'unit:house:box:1',
        sunHByMonth: null,
        lightWhByMonth: null,
        summerSunH: null,
        hottestC: 30,
        coldestC: 5,
        coldH: 0,
        hotH: 0,
        powerLeft: 1,
        heaterWh: null,
        ...facts,
      },
    ],
  });
  it('more than two hours of sun matter where the cabinet gets hot: hours alone mislead', () => {
    expect(found(climate({ summerSunH: 3.9, hottestC: 36 }), false)).not.toContain('climate.sun');
    expect(found(climate({ summerSunH: 3.9, hottestC: 41 }), false)).toContain('climate.sun');
    expect(found(climate({ summerSunH: 2, hottestC: 41 }), false)).not.toContain('climate.sun');
  });
  it('what its maker allows is not exceeded', () => {
    expect(found(climate({ hottestC: 50 }))).not.toContain('climate.hot');
    expect(found(climate({ hottestC: 50.1 }))).toContain('climate.hot');
    expect(found(climate({ coldestC: -10.1 }))).toContain('climate.cold');
    expect(found(climate({ coldH: 30 }), false)).toContain('climate.frost');
  });
});

describe('whatever the placement', () => {
  it('moving a unit away from a door never makes that door a violation', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 1.2, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (leftM, bottomM, awayM) => {
          const wall = { openings: [anOpening({ kind: 'door', leftM: 4.5 })] };
          const near = found({ wall, at: [[leftM, bottomM]] }).includes('placed.doors');
          const far = found({ wall, at: [[Math.max(0, leftM - awayM), bottomM]] }).includes('placed.doors');
          expect(far && !near).toBe(false);
        },
      ),
    );
  });
  it('more units never lower the energy of a place', () => {
    const sum = (count: number): number => {
      const things = Array.from({ length: count }, (_, index) => aThing({ id: `unit:house:box:${index}` }));
      const places = things.map(({ id }, index) => ({
        thingId: id,
        wallId: 'wall',
        leftM: index,
        bottomM: 0,
      }));
      const plan = placedPlan(emptyPlan(), [aWall({ lengthM: 30 })], places);
      return checkPlacement(plan, things, []).placed.reduce((all, { thing }) => all + thing.energyWh, 0);
    };
    fc.assert(fc.property(fc.integer({ min: 0, max: 12 }), (count) => sum(count + 1) > sum(count)));
  });
});
