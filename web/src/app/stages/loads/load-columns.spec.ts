import { circuitsById, emptySurvey, type Load, loadSchema } from '@levamen/core/house';
import { blankLoad, hoursPerDayH, newCircuit, newPanel } from '@levamen/core/house/details';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cellChoices,
  cellText,
  columnsFor,
  costText,
  loadColumns,
  sameContext,
  writeCell,
  type CellContext,
} from './load-columns';

const context: CellContext = {
  system: 'split-120-240',
  season: 'winter',
  survey: emptySurvey(),
  circuits: new Map(),
  circuitLegs: new Map(),
};
const load: Load = { ...blankLoad('a', 'Pump', 'split-120-240', []), basis: 'typical' };
const written = (key: Parameters<typeof writeCell>[1], text: string): Load | string => {
  const result = writeCell(load, key, text, context);
  return result.ok ? result.load : result.message;
};

describe('cells of the table of loads', () => {
  it('read back what they show', () => {
    for (const { key, kind } of loadColumns) {
      if (kind === 'computed' || kind === 'toggle') continue;
      const result = writeCell(load, key, cellText(load, key, context), context);
      expect(result.ok && cellText(result.load, key, context), key).toBe(cellText(load, key, context));
    }
  });

  it('take units and decimal commas', () => {
    expect(written('power', '1,2 kW')).toMatchObject({ runningPowerW: 1200 });
    expect(written('hours', '90 min')).toMatchObject({ use: { winter: { eveningH: 1.5 } } });
    expect(written('duty', '45 %')).toMatchObject({ dutyCycle: 0.45 });
  });

  it('know that a changed figure is no longer typical, and a chosen leg no longer assumed', () => {
    expect(written('power', '80')).toMatchObject({ basis: 'user' });
    expect(written('name', 'Well pump')).toMatchObject({ basis: 'typical' });
    expect(written('legs', 'L2')).toMatchObject({ legs: 'L2', legsAssumed: false });
  });

  it('change the hours of seasons that were alike, and leave the others', () => {
    const seasonal: Load = {
      ...load,
      use: { ...load.use, summer: { nightH: 0, morningH: 1, dayH: 0, eveningH: 0 } },
    };
    const result = writeCell(seasonal, 'hours', '5', context);
    if (!result.ok) throw new Error(result.message);
    expect(
      [result.load.use.winter, result.load.use.shoulder, result.load.use.summer].map(hoursPerDayH),
    ).toEqual([5, 5, 1]);
  });

  it.each([
    ['power', '-1', 'Enter at least 0 W'],
    ['power', '60 kW', 'Enter at most 50000 W'],
    ['quantity', '2.5', 'Enter a whole number'],
    ['duty', '101', 'Enter at most 100 %'],
    ['legs', 'L3', 'Choose L1, L2, L1-L2'],
    ['tier', 'urgent', 'Choose must, should, may, never'],
    ['energy', '5', 'This column is worked out'],
  ] as const)('%s refuses “%s”', (key, text, message) => {
    expect(written(key, text)).toBe(message);
  });

  it('hang the load on the circuit that is typed, and take it off again', () => {
    const panel = {
      ...newPanel('p', 'Main panel', 'split-120-240', { kind: 'service', serviceId: 's' }),
      circuits: [newCircuit('c13', [13, 15], 'Range')],
    };
    const survey = { ...emptySurvey(), panels: [panel] };
    const there: CellContext = { ...context, survey, circuits: circuitsById(survey) };
    const result = writeCell(load, 'circuit', '13', there);
    const placed = result.ok ? result.load : load;
    expect(placed.circuitId).toBe('c13');
    expect(cellText(placed, 'circuit', there)).toBe('13, 15');
    expect(writeCell(placed, 'circuit', '-', there)).toMatchObject({ load: { circuitId: null } });
    expect(columnsFor(survey)).toEqual(loadColumns);
    expect(columnsFor(emptySurvey()).map(({ key }) => key)).not.toContain('circuit');
  });

  it('never make an invalid load, whatever is typed', () => {
    fc.assert(
      fc.property(fc.constantFrom(...loadColumns.map(({ key }) => key)), fc.string(), (key, text) => {
        const result = writeCell(load, key, text, context);
        if (result.ok) expect(loadSchema.safeParse(result.load).success).toBe(true);
        else expect(result.message).not.toBe('');
      }),
    );
  });

  it('offer only legs that exist', () => {
    const single: CellContext = { ...context, system: 'single-230' };
    expect(cellChoices(load, 'legs', single)).toEqual(['L1']);
    expect(cellChoices(load, 'name', single)).toEqual([]);
  });

  it('offer only the legs of the circuit a load hangs on, and refuse others', () => {
    const placed: CellContext = { ...context, circuitLegs: new Map([[load.id, ['L2'] as const]]) };
    expect(cellChoices(load, 'legs', placed)).toEqual(['L2']);
    expect(writeCell(load, 'legs', 'L1', placed)).toEqual({ ok: false, message: 'Choose L2' });
    expect(writeCell(load, 'legs', 'L2', placed).ok).toBe(true);
  });

  it('are drawn again only where their context says something else', () => {
    const other = (changes: Partial<CellContext>): boolean =>
      sameContext(context, { ...context, ...changes });
    expect(other({})).toBe(true);
    expect(other({ circuitLegs: new Map() })).toBe(true);
    expect(other({ season: 'summer' })).toBe(false);
    expect(other({ circuitLegs: new Map([['a', ['L1'] as const]]) })).toBe(false);
    expect(sameContext(context, null)).toBe(false);
  });

  it('show a cost in minutes below an hour', () => {
    expect([costText(null), costText(Infinity), costText(0), costText(0.5), costText(2.5)]).toEqual([
      '–',
      '–',
      '0 min',
      '30 min',
      '2.5 h',
    ]);
  });
});
