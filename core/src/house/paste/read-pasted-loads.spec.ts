import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import { loadSchema } from '../loads/load.schema.js';
import { newCircuit, newPanel, newService } from '../panels/new-panel.js';
import { type PasteColumn, readPastedLoads } from './read-pasted-loads.js';
import { emptySurvey } from '../panels/panel.schema.js';

describe('pasted rows', () => {
  const panel = {
    ...newPanel('p', 'Main panel', 'split-120-240', { kind: 'service', serviceId: 's' }),
    circuits: [newCircuit('c13', [13], 'Pantry')],
  };
  const house = {
    supply: { system: 'split-120-240' as const, frequencyHz: 60 as const, serviceRatingA: null },
    survey: { ...emptySurvey(), services: [newService('s', 'Service')], panels: [panel] },
    loads: [],
  };
  const paste = (cells: string[][], said?: readonly (PasteColumn | null)[]) =>
    readPastedLoads(cells, house, () => 'id', said);
  it('hang loads on circuits and take their kinds', () => {
    const { rows } = paste([
      ['Load', 'W', 'Circuit', 'Type'],
      ['Freezer', '110', '13', 'refrigeration'],
      ['Mixer', '300', 'pantry', 'plug-in kitchen appliance'],
      ['Saw', '900', '99', 'Zeppelin'],
    ]);
    expect(rows[0]!.load).toMatchObject({ circuitId: 'c13', kind: 'refrigeration' });
    expect(rows[1]!.load).toMatchObject({ circuitId: 'c13', kind: 'small-appliance' });
    expect(rows[2]!.problems.map((text) => text.split(':')[0])).toEqual(['circuit', 'kind']);
  });
  it('take columns for what somebody says they are', () => {
    const cells = [
      ['Thing', 'Draws'],
      ['Lamp', '60'],
    ];
    expect(paste(cells).rows[0]!.load).toBeNull();
    const { rows, hasHeadings } = paste([['Lamp', '60']], ['name', 'watts']);
    expect(hasHeadings).toBe(false);
    expect(rows[0]!.load).toMatchObject({ name: 'Lamp', runningPowerW: 60 });
  });
  it('map columns by their headings', () => {
    const { rows, columns } = paste([
      ['Watts', 'Device', 'Hours per day', 'Tier'],
      ['1,200', 'Microwave', '0.5', 'should'],
    ]);
    expect(columns).toEqual(['watts', 'name', 'hours', 'tier']);
    expect(rows[0]!.load).toMatchObject({
      name: 'Microwave',
      runningPowerW: 1200,
      tier: 'should',
      basis: 'user',
    });
    expect(dailyEnergyWh(rows[0]!.load!, 'winter')).toBeCloseTo(600, 6);
  });
  it('take a fixed order without headings, and kW by heading or by unit', () => {
    expect(paste([['Fridge', '1', '130', '24', '6', 'must']]).rows[0]!.load).toMatchObject({
      quantity: 1,
      start: { how: 'multiple', multiple: 6 },
    });
    expect(
      paste([
        ['Name', 'Power kW'],
        ['Oven', '3.5'],
      ]).rows[0]!.load?.runningPowerW,
    ).toBe(3500);
    expect(paste([['Pump', '1', '1.1 kW']]).rows[0]!.load?.runningPowerW).toBe(1100);
  });
  it('take every column of the table of loads, written as there, and name what they ignore', () => {
    const { rows, ignored } = paste([
      ['Load', 'Amps', 'Legs', 'Starts', 'Duty %', 'Hours', 'Colour'],
      ['Well pump', '10', 'L1-L2', '×4', '30', '24', 'blue'],
      ['Freezer', '1.5', 'L2', '12 A', '40', '24', 'white'],
      ['Lamp', '60 W', '', 'none', '', '5', ''],
      ['Oven', '3.5 kW', 'L9', '', '', '1', ''],
    ]);
    expect(ignored).toEqual(['Colour']);
    expect(rows[0]!.load).toMatchObject({
      kind: 'pump',
      legs: 'L1-L2',
      legsAssumed: false,
      runningPowerW: 2400,
      start: { how: 'multiple', multiple: 4 },
      dutyCycle: 0.3,
      note: expect.stringContaining('10'),
    });
    expect(rows[1]!.load).toMatchObject({
      runningPowerW: 180,
      start: { how: 'lockedRotor', lockedRotorA: 12 },
    });
    expect(rows[2]!.load).toMatchObject({ runningPowerW: 60, start: { how: 'none' }, legsAssumed: true });
    expect(rows[3]!.problems).toEqual(['legs: use L1, L2, L1-L2']);
  });
  it('keep going past what they cannot read, and say why', () => {
    const { rows } = paste([
      ['Name', 'Watts'],
      ['Good', '100'],
      ['', '5'],
      ['Bad', 'many'],
      ['Worse', '-5'],
      ['Huge', '9e9'],
      ['None', ''],
    ]);
    expect(rows.map(({ load }) => load?.name ?? null)).toEqual(['Good', null, null, null, null, null]);
    expect(rows[2]!.problems[0]).toContain('not a number');
    expect(rows[4]!.problems[0]).toContain('at most');
    expect(rows[5]!.problems[0]).toContain('no power');
  });
  it('never throw and never bring an invalid load', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 7 }), { maxLength: 6 }), (cells) => {
        for (const { load } of paste(cells).rows)
          if (load) expect(loadSchema.safeParse(load).success).toBe(true);
      }),
    );
  });
});
