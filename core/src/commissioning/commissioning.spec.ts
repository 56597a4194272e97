import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyCommissioning, sayOfStep } from '../house/index.js';
import { judgeStep } from './judge/judge-step.js';
import { standOfSteps } from './judge/stand-of-steps.js';
import { boundsText } from './record/bounds-text.js';
import { readReading } from './record/read-reading.js';
import { recordRows } from './record/record-rows.js';
import { phaseNames, type Step } from './steps/step.js';
import { stepsOf } from './steps/steps-of.js';
import { demosInHand } from './testing/demos-in-hand.js';

const houses = demosInHand();
const nothing = emptyCommissioning();
const [farm, row] = houses.map((house) => stepsOf(house, nothing)) as [Step[], Step[]];
const named = (steps: readonly Step[], id: RegExp): Step => steps.find((step) => id.test(step.id))!;
const measure = (step: Step) => {
  if (step.asks.kind !== 'measure') throw new Error(step.title);
  return step.asks;
};
const found = (reading: number) => ({ reading, isSo: null });
const all = [...farm, ...row];

describe('steps', () => {
  it('follow from the wiring: each new cable is tested dead, each island is taken off the grid and given back', () => {
    for (const [index, { wired, islands }] of houses.entries()) {
      const ids = [farm, row][index]!.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      for (const { part, cable } of wired.cables.values())
        expect(ids.includes(`continuity:${part.id}`), part.name).toBe(cable.isNew);
      for (const { island, stack } of islands)
        expect(ids.includes(`return:${island.id}`), island.name).toBe(stack !== null);
    }
  });

  it('come phase by phase, and what is off by any reading says what is likely', () => {
    for (const steps of [farm, row]) {
      const ranks = steps.map(({ phase }) => phaseNames.indexOf(phase));
      expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
    }
    const measured = all.filter(({ asks }) => asks.kind === 'measure');
    expect(measured.length).toBeGreaterThan(30);
    fc.assert(
      fc.property(
        fc.constantFrom(...measured),
        fc.double({ min: -3, max: 30, noNaN: true }),
        (step, times) => {
          const { predicted, least, most } = measure(step);
          const of = predicted?.value ?? least ?? most ?? 1;
          const isPower = measure(step).unit === 'W';
          const { verdict, causes } = judgeStep(step, found(isPower ? times * of : Math.abs(times) * of));
          if (verdict === 'off') expect(causes.length, `${step.title} ${times} × ${of}`).toBeGreaterThan(0);
          else expect(causes).toEqual([]);
        },
      ),
    );
  });

  it('say what is likely however far off a reading is', () => {
    for (const step of all.filter(({ asks }) => asks.kind === 'measure'))
      for (const reading of [0, 1e-9, 1.5, 1e9, ...(measure(step).unit === 'W' ? [-1e9] : [])]) {
        const { verdict, causes } = judgeStep(step, found(reading));
        expect(causes.length > 0, `${step.title}: ${reading}`).toBe(verdict === 'off');
      }
  });

  it('hold where the house is as it was designed', () => {
    for (const step of all) {
      if (step.asks.kind !== 'measure' || !step.asks.predicted) continue;
      expect(judgeStep(step, found(step.asks.predicted.value)).verdict, step.title).toBe('right');
    }
  });

  it('take those somebody added, and hold nobody up by them', () => {
    const added = [{ id: 'a1', title: 'The gate opens', how: '' }];
    const steps = stepsOf(houses[0]!, { added });
    expect(steps.at(-1)).toMatchObject({ id: 'own:a1', phase: 'own', title: 'The gate opens' });
    expect(standOfSteps(steps, nothing).steps.at(-1)!.waitsFor).toEqual([]);
  });
});

describe('bounds', () => {
  // ANSI C84.1-2020, range A, service voltage: 114 to 126 V and 228 to 252 V on a nominal 120/240 V; recalled.
  it.each([
    [/^voltage:.*:L1-N$/, 114, 126],
    [/^voltage:.*:L1-L2$/, 228, 252],
  ])('%s of split phase are those of ANSI C84.1', (id, least, most) => {
    const { least: low, most: high } = measure(named(farm, id));
    expect([low, high]).toEqual([expect.closeTo(least, 9), expect.closeTo(most, 9)]);
  });

  it('of 230/400 V are those of IEC 60038: 207 to 253 V, 360 to 440 V (recalled)', () => {
    expect(boundsText(measure(named(row, /^voltage:.*:L1-N$/))).replaceAll('\u202f', ' ')).toBe(
      '207 V to 253 V',
    );
    expect(boundsText(measure(named(row, /^voltage:.*:L1-L3$/))).replaceAll('\u202f', ' ')).toBe(
      '360 V to 440 V',
    );
  });

  it('of insulation are those of IEC 60364-6, Table 6A: 1 MΩ at 500 V (recalled)', () => {
    const step = named(farm, /^insulation:/);
    expect(judgeStep(step, found(1e6)).verdict).toBe('right');
    expect(judgeStep(step, found(0.99e6)).verdict).toBe('off');
    expect(boundsText(measure(step)).replaceAll('\u202f', ' ')).toBe('at least 1 MΩ');
  });

  it('of continuity follow from the length and NEC Chapter 9, Table 8: 10 AWG copper, 1.24 Ω for 1,000 ft (recalled)', () => {
    const byPart = [...houses[0]!.wired.cables.values()].find(
      ({ earth, cable }) => earth === '10 AWG' && cable.isNew,
    )!;
    const { predicted } = measure(named(farm, new RegExp(`^continuity:${byPart.part.id}$`)));
    expect(predicted!.value).toBeCloseTo((1.24 * byPart.cable.lengthM.value) / 304.8, 9);
  });

  it('of the return are those of the unit: the grid is watched for five minutes (common practice, no source)', () => {
    const step = named(farm, /^return:/);
    expect(measure(step).predicted!.value).toBe(300);
    expect(judgeStep(step, found(60)).causes).toEqual(['Another grid profile than that of the place']);
  });
});

describe('likely causes', () => {
  it.each([
    [/^sensor:/, -1, 'turned round'],
    [/^sensor:/, 0, 'exchanged'],
    [/^sensor:/, 0.5, 'half'],
    [/^sensor:/, 2, 'too high'],
    [/^island:.*L1-N$/, 1.3, 'neutral of the island is not formed'],
    [/^island:.*L1-N$/, 0, 'leg of the inverter is missing'],
    [/^voltage:.*L2-N$/, 0.7, 'loose neutral'],
    [/^voltage:.*L1-N$/, 2, 'where the neutral should'],
    [/^batteries:/, 0.5, 'address is given twice'],
    [/^sun-back:/, 3, 'lifts its frequency'],
  ])('%s at %f of what is predicted', (id, times, words) => {
    const step = named(farm, id);
    const { verdict, causes } = judgeStep(step, found(measure(step).predicted!.value * times));
    expect([verdict, causes.join()]).toEqual(['off', expect.stringContaining(words)]);
  });
});

describe('the order', () => {
  const answered = (steps: readonly Step[], but?: string) => {
    let record = nothing;
    for (const step of steps) {
      if (step.id === but) continue;
      const { asks } = step;
      const reading = asks.kind === 'measure' ? (asks.predicted?.value ?? asks.least ?? asks.most) : null;
      record = sayOfStep(record, step.id, asks.kind === 'so' ? { isSo: true } : { reading });
    }
    return record;
  };
  const dead = farm.filter(({ phase }) => phase === 'dead');
  const stand = (record: typeof nothing) => standOfSteps(farm, record);
  const standing = (record: typeof nothing, id: string) =>
    stand(record).steps.find(({ step }) => step.id === id)!;
  const grid = named(farm, /^voltage:.*L1-N$/);
  const late = named(farm, /^return:/);

  it('begins with the dead tests; what follows waits for every one of them', () => {
    expect(standing(nothing, dead[0]!.id).waitsFor).toEqual([]);
    expect(standing(nothing, grid.id).waitsFor).toEqual(dead);
    expect(standing(answered(dead, dead[2]!.id), grid.id).waitsFor).toEqual([dead[2]]);
    expect(standing(answered(dead), grid.id).waitsFor).toEqual([]);
  });

  it('is left on record, with a reason; nobody goes past what must be made safe', () => {
    const override = { reason: 'The ohmmeter is away', by: 'Ada', at: '2026-11-28T10:00:00Z' };
    const went = sayOfStep(nothing, grid.id, { override });
    expect(standing(went, grid.id).waitsFor).toEqual([]);
    expect(standing(went, late.id).waitsFor.length).toBeGreaterThan(0);
    const torn = sayOfStep(went, named(farm, /^insulation:/).id, { reading: 2e5 });
    expect(standing(torn, grid.id).waitsFor).toEqual([named(farm, /^insulation:/)]);
    expect(stand(torn).stopped.map(({ step }) => step.makeSafe)).toEqual([
      expect.stringContaining('find where it is damaged'),
    ]);
  });

  it('ends with everything right', () => {
    const { right, off, open, stopped } = stand(answered(farm));
    expect([right, off, open, stopped]).toEqual([farm.length, 0, 0, []]);
  });

  it('leaves as rows: what was found, by what, and what it was held against', () => {
    const instruments = [{ id: 'm', name: 'Meter 4711', calibratedOn: '2026-03-01' }];
    const record = sayOfStep({ ...nothing, instruments }, grid.id, {
      reading: 171,
      by: 'Ada',
      at: '2026-11-28T10:00:00Z',
      instrumentId: 'm',
    });
    const rows = recordRows(stand(record), record, []);
    expect(rows).toHaveLength(farm.length);
    expect(rows.find(({ step }) => step === grid.id)).toMatchObject({
      phase: 'Energising',
      reading: 171,
      unit: 'V',
      verdict: 'off',
      likely: expect.stringContaining('loose neutral') as unknown,
      by: 'Ada',
      instrument: 'Meter 4711',
      calibratedOn: '2026-03-01',
    });
  });
});

describe('a record', () => {
  it('holds what is said of a step, and nothing where nothing is said any more', () => {
    const said = sayOfStep(nothing, 'a', { reading: 0 });
    expect(said.entries).toHaveLength(1);
    expect(sayOfStep(said, 'a', { note: 'twice' }).entries).toMatchObject([{ reading: 0, note: 'twice' }]);
    expect(sayOfStep(said, 'a', { reading: null }).entries).toEqual([]);
  });
});

describe('a reading', () => {
  it.each([
    ['121.4', 'V', 121.4],
    ['2,3 MΩ', 'Ω', 2.3e6],
    ['> 500 MΩ', 'Ω', 5e8],
    ['0.12 ohm', 'Ω', 0.12],
    ['430 kΩ', 'Ω', 4.3e5],
    ['5 min', 's', 300],
    ['-1.2 kW', 'W', -1200],
    ['3 %', 'share', 0.03],
    ['3', 'share', 0.03],
    ['0.03 s', 'ms', 30],
  ] as const)('“%s” is read', (text, unit, value) => {
    const read = readReading(text, unit);
    expect(read.ok && read.value).toBeCloseTo(value, 9);
  });

  it.each([
    ['', 'V', 'Type what the instrument shows'],
    ['OL', 'Ω', 'is not a number'],
    ['3 kW', 'V', 'is not known here'],
    ['2.5', 'count', 'whole number'],
  ] as const)('“%s” is refused in words', (text, unit, words) => {
    const read = readReading(text, unit);
    expect(read.ok ? '' : read.message).toContain(words);
  });
});
