import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Circuit, settleLegs, emptySurvey } from '../house/index.js';
import {
  fitsInto,
  guessCircuitColumns,
  moveBreaker,
  newPanel,
  putBreaker,
  readCircuitEntry,
  readCircuitRows,
} from '../house/details.js';
import { keepOnly, demoPlans } from '../design/index.js';
import { sensorPlan } from '../study/details.js';
import { panelSchedule, scheduleColumns } from './panel-schedule.js';

const houses = demoPlans.map(({ name, plan }) => ({ ...plan, name }));
const harbour = houses[0]!;
const [cellar] = harbour.survey.panels;
const empty = newPanel('p', 'Panel', 'split-120-240', { kind: 'unknown' });
let next = 0;
const makeId = (): string => `id-${next++}`;
const read = (cells: string[][]) => {
  const { columns, hasHeadings } = guessCircuitColumns(cells);
  return readCircuitRows(cells, empty, columns, hasHeadings, makeId);
};
const withoutId = ({ id: _, ...rest }: Circuit) => rest;

describe('a panel schedule', () => {
  it('holds a row a breaker, in order of the spaces, with what hangs on it', () => {
    const { rows, facts } = panelSchedule(harbour, cellar!);
    expect(rows).toHaveLength(cellar!.circuits.length);
    const range = rows.find((row) => row[4] === 'Range')!;
    expect(range.slice(0, 6)).toEqual(['2, 4', '', 50, 2, 'Range', 'L1-L2']);
    expect(range[14]).toContain('Electric range');
    expect(Object.fromEntries(facts)['Bus rating']).toBe('200 A');
  });

  it('comes back the same through its own columns', () => {
    for (const house of houses) {
      for (const panel of house.survey.panels) {
        const { rows } = panelSchedule(house, panel);
        const cells = [[...scheduleColumns], ...rows.map((row) => row.map(String))];
        const { columns, hasHeadings } = guessCircuitColumns(cells);
        const back = readCircuitRows(cells, { ...panel, circuits: [] }, columns, hasHeadings, makeId);
        expect(back.rows.flatMap(({ problems }) => problems)).toEqual([]);
        // Whether a neutral runs with it is assumed again; the schedule does not hold it.
        const order = (list: readonly Circuit[]) =>
          list
            .map((one) => withoutId({ ...one, neutral: null }))
            .toSorted((a, b) => a.spaces[0]! - b.spaces[0]!);
        expect(order(back.rows.flatMap(({ circuit }) => circuit ?? []))).toEqual(order(panel.circuits));
      }
    }
  });
});

describe('a list of circuits', () => {
  it('is read by headings in any order', () => {
    const { rows } = read([
      ['Description', 'Ckt #', 'Amps', 'Poles'],
      ['Kitchen', '1', '20', ''],
      ['Range', '2', '50 A', '2'],
      ['Tandem', '3a', '15', ''],
      ['Dryer', '6-8', '30', ''],
    ]);
    expect(
      rows.map(({ circuit }) => circuit && [circuit.name, circuit.spaces, circuit.ratingA, circuit.half]),
    ).toEqual([
      ['Kitchen', [1], 20, null],
      ['Range', [2, 4], 50, null],
      ['Tandem', [3], 15, 'a'],
      ['Dryer', [6, 8], 30, null],
    ]);
  });

  it('takes free spaces in order where it names none', () => {
    const { rows } = read([
      ['20', 'Kitchen'],
      ['50/2', 'Range'],
      ['15', 'Hall'],
    ]);
    expect(rows.map(({ circuit }) => circuit?.spaces)).toEqual([[1], [2, 4], [3]]);
  });

  it('keeps the good rows and says why the others are left out', () => {
    const { rows } = read([
      ['Space', 'Amps', 'Description', 'Protection', 'Wire'],
      ['one', '20', 'Kitchen', '', ''],
      ['2', 'many', 'Hall', '', ''],
      ['3', '20', 'Bath', 'magic', ''],
      ['4', '20', 'Attic', '', '13 AWG'],
      ['999', '20', 'Far', '', ''],
      ['5', '20', 'Good', 'GFCI', '12 AWG'],
    ]);
    expect(rows.map(({ problems }) => problems[0] ?? '')).toEqual([
      expect.stringContaining('holds no number'),
      expect.stringContaining('Breaker'),
      expect.stringContaining('Protection'),
      expect.stringContaining('Conductor'),
      expect.stringContaining('at most 84'),
      '',
    ]);
  });

  it('never throws and never brings a breaker that is not valid', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 12 }), (cells) => {
        for (const { circuit, problems } of read(cells).rows)
          expect(circuit === null).toBe(problems.length > 0);
      }),
    );
  });
});

describe('putting and moving breakers', () => {
  const put = (panel: typeof empty, space: number, text: string) => {
    const entry = readCircuitEntry(text);
    if (!entry.ok) throw new Error(entry.message);
    return putBreaker(panel, space, entry.entries, makeId);
  };
  const built = ['20 Alpha', '50/2 Beta', '15 Gamma | 15 Delta'].reduce((panel, text, index) => {
    const result = put(panel, [1, 2, 3][index]!, text);
    if (!result.ok) throw new Error(result.message);
    return result.panel;
  }, empty);

  it('keeps what the entry does not say', () => {
    const marked = { ...built, circuits: built.circuits.map((circuit) => ({ ...circuit, channel: 'x' })) };
    const changed = put(marked, 1, '15 Other');
    expect(changed.ok && changed.panel.circuits.find(({ name }) => name === 'Other')).toMatchObject({
      ratingA: 15,
      channel: 'x',
    });
  });

  it('refuses what does not fit, with what is in the way', () => {
    expect(put(built, 1, '30/2 Wide')).toMatchObject({
      ok: false,
      message: expect.stringContaining('taken by Gamma') as string,
    });
    expect(put(built, 40, '30/2 Wide')).toMatchObject({ ok: false });
  });

  it('lets two breakers change places, and refuses what cannot', () => {
    const a = built.circuits.find(({ name }) => name === 'Alpha')!;
    const moved = moveBreaker(built, a.id, 5)!;
    expect(moved.circuits.find(({ id }) => id === a.id)?.spaces).toEqual([5]);
    const swapped = moveBreaker(moved, a.id, 3)!;
    expect(swapped.circuits.filter(({ half }) => half !== null).map(({ spaces }) => spaces)).toEqual([
      [5],
      [5],
    ]);
    expect(moveBreaker(built, a.id, 4)).toBeNull();
  });

  it('never loses a breaker and never leaves two in one space', () => {
    fc.assert(
      fc.property(fc.nat(22), fc.integer({ min: 1, max: 40 }), (index, space) => {
        const circuit = cellar!.circuits[index]!;
        const moved = moveBreaker(cellar!, circuit.id, space);
        if (!moved) return;
        expect(moved.circuits.map(({ id }) => id)).toEqual(cellar!.circuits.map(({ id }) => id));
        expect(moved.circuits.every((one) => fitsInto(moved, one))).toBe(true);
      }),
    );
  });

  it('takes loads along to the legs of the new space', () => {
    const sump = cellar!.circuits.find(({ name }) => name === 'Sump pump')!;
    const moved = moveBreaker(cellar!, sump.id, 25)!;
    const plan = settleLegs({
      ...harbour,
      survey: { ...harbour.survey, panels: [moved, harbour.survey.panels[1]!] },
    });
    expect(harbour.loads.find(({ circuitId }) => circuitId === sump.id)?.legs).toBe('L2');
    expect(plan.loads.find(({ circuitId }) => circuitId === sump.id)?.legs).toBe('L1');
    const without = settleLegs({ ...harbour, survey: emptySurvey() });
    expect(without.loads.every(({ circuitId }) => circuitId === null)).toBe(true);
  });
});

describe('the sensor plan', () => {
  const plan = sensorPlan(harbour);
  const count = (name: string) => plan.points.find(({ where }) => where.endsWith(name))?.count;

  // Common practice, no source: one for each hot conductor that is not mirrored.
  it('takes one sensor for a 240 V load without neutral, two with, and one a leg on the mains', () => {
    expect(count('Well pump')).toBe(1);
    expect(count('Water heater')).toBe(1);
    expect(count('Range')).toBe(2);
    expect(count('Barn panel')).toBe(2);
    expect(count('mains')).toBe(2);
    expect(count('Refrigerator')).toBe(1);
    expect(plan.points.find(({ where }) => where.endsWith('mains'))).toMatchObject({
      classA: 200,
      directionMatters: true,
    });
  });

  it('adds up, and skips spares', () => {
    expect(plan.sensors).toBe(plan.byClass.reduce((sum, { count: n }) => sum + n, 0));
    expect(plan.points.some(({ where }) => /\b22\b/.test(where))).toBe(false);
  });

  it('measures the mains only, or leaves them out, where that is asked for', () => {
    const scoped = (monitorScope: 'circuits' | 'mains') =>
      sensorPlan({ ...harbour, survey: { ...harbour.survey, monitorScope } });
    const names = (of: typeof plan) => of.points.map(({ where }) => where);
    expect(names(scoped('mains'))).toEqual(['Cellar panel, mains', 'Cellar panel 21, 23 Barn panel']);
    expect(names(scoped('circuits'))).toEqual(names(plan).filter((where) => !where.endsWith('mains')));
  });

  it('counts monitors by their channels, one more where a part of the house has a voltage of its own', () => {
    const survey = { ...harbour.survey, monitorChannels: 16 };
    const one = sensorPlan({ ...harbour, survey });
    expect(one.groups).toEqual([
      { where: 'Farm service', sensors: plan.sensors, monitors: Math.ceil(plan.sensors / 16) },
    ]);
    expect(sensorPlan({ ...harbour, survey: { ...survey, monitorChannels: null } }).monitors).toBeNull();
    const [service] = harbour.backup.services;
    const barn = harbour.survey.panels.find(({ name }) => name === 'Barn panel')!;
    const split = sensorPlan({
      ...harbour,
      survey,
      backup: {
        ...harbour.backup,
        services: [{ ...service!, school: 'feeder', isolation: { at: 'feeder', panelId: barn.id } }],
      },
    });
    expect(split.groups.map(({ where }) => where)).toEqual([
      'Farm service',
      'Farm service, behind Barn panel',
    ]);
    expect(split.sensors).toBe(plan.sensors);
    expect(split.monitors).toBe(split.groups.reduce((sum, { sensors }) => sum + Math.ceil(sensors / 16), 0));
  });

  it('says whether the monitor itself stays on', () => {
    expect(plan.monitor).toBe('stays-on');
    const dark = keepOnly(harbour, []);
    expect(sensorPlan(dark).monitor).toBe('goes-dark');
    expect(sensorPlan({ ...harbour, survey: { ...harbour.survey, monitorCircuitId: null } }).monitor).toBe(
      'unknown',
    );
  });
});
