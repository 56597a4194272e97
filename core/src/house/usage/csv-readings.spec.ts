import { DateTime } from 'luxon';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CsvReadings, type CsvOptions } from './csv-readings.js';
import { guessCsvShape } from './csv-shape.js';
import { channelEnergyWh, gap } from './readings.js';
import { guessDayFirst, readClockS, readStamp } from './read-timestamp.js';

const options = (zone: string, changes: Partial<CsvOptions> = {}): CsvOptions => ({
  zone,
  clock: 'zone',
  stampsEnd: false,
  startWallS: 0,
  intervalS: 900,
  ...changes,
});

/** Reads a text as the worker does; cells are parted by the delimiter, without quotes. */
function readText(text: string, delimiter: string, opts: CsvOptions, dayFirst = false) {
  const rows = text.split('\n').map((line) => line.split(delimiter));
  const shape = guessCsvShape(rows.slice(0, 400), delimiter, dayFirst);
  if (!shape) throw new Error('No shape was found');
  const reader = new CsvReadings(shape, opts);
  rows.forEach((cells, index) => {
    if (index >= shape.skip) reader.row(cells, index + 1);
  });
  const readings = reader.finish();
  return { shape, readings: readings!, problems: reader.collector.problems };
}
const valuesOf = (channel: { milli: Int32Array }): (number | null)[] =>
  Array.from(channel.milli, (value) => (value === gap ? null : value / 1000));

describe('times as they stand in files', () => {
  it.each([
    ['2026-02-28 17:05', false, '2026-02-28T17:05:00'],
    ['2026-02-28T17:05:30', false, '2026-02-28T17:05:30'],
    ['2/28/2026 5:05 PM', false, '2026-02-28T17:05:00'],
    ['28/02/2026 17:05', true, '2026-02-28T17:05:00'],
    ['28.02.2026 17:05', false, '2026-02-28T17:05:00'],
    ['2026/02/28', false, '2026-02-28T00:00:00'],
    ['12/31/26 12:00 AM', false, '2026-12-31T00:00:00'],
    ['20260228', false, '2026-02-28T00:00:00'],
    ['2026-02-28 24:00', false, '2026-03-01T00:00:00'],
  ])('%s', (text, dayFirst, iso) => {
    expect(new Date(readStamp(text, dayFirst)!.wallS * 1000).toISOString().slice(0, 19)).toBe(iso);
  });

  it.each([
    '2026-02-30 12:00',
    '13/13/2026',
    '2026-02-28 25:00',
    'yesterday',
    '',
    '12:00',
    '2026-02-28 12:61',
  ])('refuses %j', (text) => {
    expect(readStamp(text, false)).toBeNull();
  });

  it('with an offset are real moments, as the reference library reads them', () => {
    for (const text of ['2026-02-28T17:05:00+01:00', '2026-02-28T17:05:00Z', '2026-07-01 00:00-0330']) {
      const reference = DateTime.fromISO(text.replace(' ', 'T')).toSeconds();
      expect(readStamp(text, false)).toMatchObject({ wallS: reference, absolute: true });
    }
    expect(readStamp('1772298300', false)).toMatchObject({ wallS: 1_772_298_300, absolute: true });
  });

  it('say by themselves whether the day comes first, if one of them can', () => {
    expect(guessDayFirst(['3/4/2026', '25/4/2026'])).toBe(true);
    expect(guessDayFirst(['3/4/2026', '4/25/2026'])).toBe(false);
    expect(guessDayFirst(['3/4/2026'])).toBeNull();
    expect(readClockS('7:30 pm')).toBe(19.5 * 3600);
  });
});

describe('common shapes of CSV', () => {
  it('one column of kWh with date and time together', () => {
    const { readings, shape } = readText(
      'Time,Usage (kWh)\n2026-01-01 00:00,0.25\n2026-01-01 00:15,0.5',
      ',',
      options('UTC'),
    );
    expect(shape.time.kind).toBe('stamp');
    expect(readings).toMatchObject({ intervalS: 900, count: 2 });
    expect(readings.channels[0]).toMatchObject({ role: 'import', quantity: 'energy' });
    expect(valuesOf(readings.channels[0]!)).toEqual([250, 500]);
  });

  it('date and time apart, semicolons, decimal commas, two registers', () => {
    const text = 'Datum;Zeit;Import kWh;Export kWh\n01.01.2026;00:00;1,5;0\n01.01.2026;01:00;0,25;2,125';
    const { readings, shape } = readText(text, ';', options('Europe/Vienna'));
    expect(shape).toMatchObject({ decimalComma: true, time: { kind: 'date-and-time' } });
    expect(readings.channels.map(({ role }) => role)).toEqual(['import', 'export']);
    expect(readings.channels.map(valuesOf)).toEqual([
      [1500, 250],
      [0, 2125],
    ]);
    expect(readings.startS).toBe(Date.UTC(2025, 11, 31, 23) / 1000);
  });

  it.each([24, 48, 96])('one row a day with %i values', (values) => {
    const stepS = 86_400 / values;
    const heads = Array.from({ length: values }, (_, i) =>
      new Date(i * stepS * 1000).toISOString().slice(11, 16),
    );
    const day = (value: number) => Array.from({ length: values }, () => value).join(',');
    const { readings, shape } = readText(
      `Meter reading in kWh\nDate,${heads.join(',')}\n2026-01-01,${day(1)}\n2026-01-02,${day(2)}`,
      ',',
      options('UTC'),
    );
    expect(shape.time.kind).toBe('row-a-day');
    expect(readings).toMatchObject({ intervalS: stepS, count: 2 * values });
    expect(channelEnergyWh(readings.channels[0]!, stepS)).toBe(3000 * values);
  });

  it('kilowatts as power, and watts of many channels', () => {
    const power = readText('time,Demand kW\n2026-01-01 00:00,2\n2026-01-01 00:30,4', ',', options('UTC'));
    expect(power.readings.channels[0]!.quantity).toBe('power');
    expect(channelEnergyWh(power.readings.channels[0]!, 1800)).toBe(3000);
    const names = ['Mains L1', 'Mains L2', 'Kitchen', 'Well pump', 'Solar'];
    const many = readText(
      `time,${names.map((name) => `${name} [W]`).join(',')}\n2026-01-01 00:00,1,2,3,4,5\n2026-01-01 00:01,1,2,3,4,-5`,
      ',',
      options('UTC'),
    );
    expect(many.readings.channels.map(({ name, role }) => [name, role])).toEqual([
      ['Mains L1', 'mains'],
      ['Mains L2', 'mains'],
      ['Kitchen', 'circuit'],
      ['Well pump', 'circuit'],
      ['Solar', 'solar'],
    ]);
    expect(many.readings.intervalS).toBe(60);
  });

  it('registers one below the other, named in a column', () => {
    const text =
      'Date,Time,Register,kWh\n2026-01-01,00:00,Import,1\n2026-01-01,00:00,Export,2\n2026-01-01,00:30,Import,3\n2026-01-01,00:30,Export,4';
    const { readings } = readText(text, ',', options('UTC'));
    expect(readings.channels.map(({ name, role }) => [name, role])).toEqual([
      ['Import', 'import'],
      ['Export', 'export'],
    ]);
    expect(readings.channels.map(valuesOf)).toEqual([
      [1000, 3000],
      [2000, 4000],
    ]);
  });

  it('a register that counts up is taken as differences', () => {
    const rows = Array.from(
      { length: 30 },
      (_, i) =>
        `2026-01-01 ${String(Math.floor(i / 2)).padStart(2, '0')}:${i % 2 === 0 ? '00' : '30'},${10_000 + i * 0.5}`,
    );
    const { readings, shape } = readText(`time,Meter kWh\n${rows.join('\n')}`, ',', options('UTC'));
    expect(shape.values[0]!.cumulative).toBe(true);
    expect(valuesOf(readings.channels[0]!).slice(0, 3)).toEqual([500, 500, 500]);
  });

  it('bare values from a start that somebody says', () => {
    const startWallS = Date.UTC(2026, 0, 1) / 1000;
    const { readings } = readText('kWh\n1\n2\n3', ',', options('Europe/Vienna', { startWallS }));
    expect(readings.startS).toBe(startWallS - 3600);
    expect(valuesOf(readings.channels[0]!)).toEqual([1000, 2000, 3000]);
  });

  it('backwards, and with times that name the end', () => {
    const { readings } = readText(
      'time,kWh\n2026-01-01 02:00,3\n2026-01-01 01:00,2',
      ',',
      options('UTC', { stampsEnd: true }),
    );
    expect(readings.startS).toBe(Date.UTC(2026, 0, 1) / 1000);
    expect(valuesOf(readings.channels[0]!)).toEqual([2000, 3000]);
  });

  it('nothing in a file without dates and numbers', () => {
    expect(
      guessCsvShape(
        [
          ['a', 'b'],
          ['c', 'd'],
        ],
        ',',
        false,
      ),
    ).toBeNull();
  });
});

describe('daylight saving', () => {
  // Days of change in both hemispheres, and half-hour zones: the reference is the time-zone data of Luxon/Intl, walked forward.
  it.each([
    ['Europe/Vienna', '2025-03-29'],
    ['Europe/Vienna', '2025-10-25'],
    ['America/Halifax', '2025-03-08'],
    ['America/Halifax', '2025-11-01'],
    ['Australia/Sydney', '2025-04-05'],
    ['Australia/Sydney', '2025-10-04'],
    ['Australia/Lord_Howe', '2025-04-05'],
    ['America/St_Johns', '2025-11-01'],
    ['Asia/Kolkata', '2025-06-01'],
  ])('%s from %s: every quarter hour in its place, forwards and backwards', (zone, from) => {
    const begin = DateTime.fromISO(from, { zone }).toSeconds();
    const moments = Array.from({ length: 3 * 96 }, (_, i) => begin + i * 900);
    const lines = moments.map(
      (utcS, i) => `${DateTime.fromSeconds(utcS, { zone }).toFormat('yyyy-MM-dd HH:mm')},${i + 1}`,
    );
    for (const list of [lines, lines.toReversed()]) {
      const { readings, problems } = readText(['time,Wh', ...list].join('\n'), ',', options(zone));
      expect(problems).toEqual([]);
      expect(readings.startS).toBe(begin);
      expect(valuesOf(readings.channels[0]!)).toEqual(moments.map((_, i) => i + 1));
    }
  });

  it('refuses an hour that did not exist, with its line', () => {
    const { problems, readings } = readText(
      'time,Wh\n2025-03-30 01:00,1\n2025-03-30 02:00,2\n2025-03-30 03:00,3',
      ',',
      options('Europe/Vienna'),
    );
    expect(problems).toEqual([{ line: 3, reason: expect.stringContaining('did not exist') as string }]);
    expect(readings.count).toBe(2);
  });

  it('takes files on standard time or UTC as they are', () => {
    const text = 'time,Wh\n2025-03-30 01:00,1\n2025-03-30 02:00,2\n2025-03-30 03:00,3';
    expect(readText(text, ',', options('Europe/Vienna', { clock: 'standard' })).readings.count).toBe(3);
    expect(readText(text, ',', options('Australia/Sydney', { clock: 'standard' })).readings.startS).toBe(
      Date.UTC(2025, 2, 29, 15) / 1000,
    );
    expect(readText(text, ',', options('Europe/Vienna', { clock: 'utc' })).readings.startS).toBe(
      Date.UTC(2025, 2, 30, 1) / 1000,
    );
  });

  it('reads days of 23 and 25 hours in rows of a day', () => {
    const heads = Array.from({ length: 25 }, (_, hour) => String(hour + 1)).join(',');
    const row = (date: string, empty: readonly number[]) =>
      [date, ...Array.from({ length: 25 }, (_, i) => (empty.includes(i) ? '' : '1'))].join(',');
    const { readings, problems } = readText(
      ['kWh', `Date,${heads}`, row('2025-03-30', [2, 24]), row('2025-10-26', [])].join('\n'),
      ',',
      options('Europe/Vienna'),
    );
    expect(problems).toEqual([]);
    expect(channelEnergyWh(readings.channels[0]!, 3600)).toBe(48_000);
  });

  it('puts each hour of such rows into its place, whether they leave a hole or run on', () => {
    const heads = Array.from({ length: 25 }, (_, hour) => String(hour + 1)).join(',');
    const wall = [
      '2025-03-30',
      ...Array.from({ length: 25 }, (_, i) => (i === 2 || i === 24 ? '' : String(i))),
    ].join(',');
    const running = [
      '2025-03-30',
      ...Array.from({ length: 25 }, (_, i) => (i > 22 ? '' : String(i < 2 ? i : i + 1))),
    ].join(',');
    const next = ['2025-03-31', ...Array.from({ length: 25 }, (_, i) => (i === 24 ? '' : '7'))].join(',');
    for (const row of [wall, running]) {
      const { readings } = readText(
        ['kWh', `Date,${heads}`, row, next].join('\n'),
        ',',
        options('Europe/Vienna'),
      );
      expect(valuesOf(readings.channels[0]!).slice(0, 24)).toEqual([
        0,
        1000,
        ...Array.from({ length: 21 }, (_, i) => (i + 3) * 1000),
        7000,
      ]);
      expect(readings.count).toBe(23 + 24);
    }
    const autumn = ['2025-10-26', ...Array.from({ length: 25 }, (_, i) => String(i))].join(',');
    const after = ['2025-10-27', ...Array.from({ length: 25 }, (_, i) => (i === 24 ? '' : '7'))].join(',');
    const { readings } = readText(
      ['kWh', `Date,${heads}`, autumn, after].join('\n'),
      ',',
      options('Europe/Vienna'),
    );
    expect(valuesOf(readings.channels[0]!).slice(0, 26)).toEqual([
      ...Array.from({ length: 25 }, (_, i) => i * 1000),
      7000,
    ]);
  });
});

describe('what cannot be read', () => {
  it('10,000 malformed rows are refused each with its line, and the good ones kept', () => {
    const kinds = [
      'yesterday,1',
      '2026-02-31 00:00,1',
      '2026-01-01 00:00,much',
      ',5',
      '2026-01-01 00:00,99999999',
    ];
    const lines = ['time,kWh'];
    const bad: number[] = [];
    for (let i = 0; i < 20_000; i += 1) {
      if (i > 20 && i % 2 === 1 && bad.length < 10_000) {
        bad.push(lines.length + 1);
        lines.push(kinds[i % kinds.length]!);
      } else {
        const at = new Date(Date.UTC(2026, 0, 1) + i * 900_000).toISOString().slice(0, 16).replace('T', ' ');
        lines.push(`${at},0.1`);
      }
    }
    while (bad.length < 10_000) {
      bad.push(lines.length + 1);
      lines.push('broken,row');
    }
    const { problems, readings } = readText(lines.join('\n'), ',', options('UTC'));
    expect(problems.map(({ line }) => line).filter((line) => line > 0)).toEqual(bad);
    const kept = valuesOf(readings.channels[0]!).filter((value) => value !== null);
    expect(kept).toHaveLength(lines.length - 1 - bad.length);
    expect(kept.every((value) => value === 100)).toBe(true);
  });

  it('gaps stay gaps, and a time that comes twice is reported', () => {
    const { readings, problems } = readText(
      'time,Wh\n2026-01-01 00:00,1\n2026-01-01 00:15,\n2026-01-01 00:30,3\n2026-01-01 00:45,4\n2026-01-01 00:45,5',
      ',',
      options('UTC'),
    );
    expect(valuesOf(readings.channels[0]!)).toEqual([1, null, 3, 5]);
    expect(problems[0]?.reason).toContain('there already');
  });

  it('energy agrees with the file to the watt-hour, whatever the digits', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 2_000_000 }), { minLength: 2, maxLength: 300 }),
        (wh) => {
          const lines = wh.map(
            (value, i) =>
              `${new Date(Date.UTC(2026, 0, 1) + i * 900_000).toISOString()},${(value / 1000).toFixed(3)}`,
          );
          const { readings } = readText(['time,kWh', ...lines].join('\n'), ',', options('UTC'));
          const [channel] = readings.channels;
          const inWh = channel!.quantity === 'energy' ? wh.reduce((sum, value) => sum + value, 0) : NaN;
          if (
            readings.channels.length === 1 &&
            !guessCsvShape([['time', 'kWh'], ...lines.map((line) => line.split(','))], ',', false)!.values[0]!
              .cumulative
          ) {
            expect(channelEnergyWh(channel!, 900)).toBe(inWh);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('never throws, whatever the cells', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 5 }), { maxLength: 20 }), (rows) => {
        const shape = guessCsvShape([['time', 'kWh'], ['2026-01-01 00:00', '1'], ...rows], ',', true);
        if (!shape) return;
        const reader = new CsvReadings(shape, options('Europe/Vienna'));
        rows.forEach((cells, index) => reader.row(cells, index + 1));
        reader.finish();
      }),
    );
  });
});
