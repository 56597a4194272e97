import { describe, expect, it } from 'vitest';
import type { OutageSample } from '../../commissioning/details.js';
import { courseOfSamples } from './course-of-samples.js';
import type { LoggedOutage } from '../../house/index.js';
import { knownOutage } from './known-outage.js';
import { otherSourceWh } from './other-source-wh.js';
import { outagesInSamples } from './outages-in-samples.js';
import { samplesOfTable } from './samples-of-table.js';

const sample = (second: number, more: Partial<OutageSample> = {}): OutageSample => ({
  second,
  gridV: 120,
  legV: [120],
  frequencyHz: 60,
  isOnGrid: true,
  batteryW: 0,
  solarW: 0,
  gridW: 500,
  charge: 0.9,
  gapMs: null,
  ...more,
});
const away = { gridV: 0, isOnGrid: false, gridW: 0, batteryW: 600 };

describe('outages in a recording', () => {
  it('begin and end with the grid; a flicker is none', () => {
    const samples = [
      sample(0),
      sample(10, away),
      sample(30),
      sample(100, away),
      sample(400, { ...away, charge: 0.01, legV: [0], batteryW: 0 }),
      sample(700),
      sample(900, away),
    ];
    expect(outagesInSamples(samples)).toEqual([
      { awayS: 100, backS: 700, emptyS: 400 },
      { awayS: 900, backS: null, emptyS: null },
    ]);
  });

  it('are not sought where the grid was not read, and found by the state where only that was', () => {
    const unread = { gridV: null, isOnGrid: null };
    expect(outagesInSamples([sample(0, unread), sample(600, unread)])).toEqual([]);
    const byState = [
      sample(0, { gridV: null }),
      sample(60, { gridV: null, isOnGrid: false }),
      sample(600, { gridV: null }),
    ];
    expect(outagesInSamples(byState)).toEqual([{ awayS: 60, backS: 600, emptyS: null }]);
  });
});

describe('another source', () => {
  it('is what flows into the battery beyond the sun, off the grid', () => {
    const samples = [
      sample(0),
      sample(3600, away),
      sample(7200, { ...away, batteryW: -3000, solarW: 500 }),
      sample(10_800, { ...away, batteryW: -700, solarW: 600 }),
      sample(14_400, { batteryW: -4000 }),
    ];
    expect(otherSourceWh(samples, 0, 20_000)).toBeCloseTo(2500, 6);
    expect(otherSourceWh(samples, 0, 7000)).toBe(0);
  });

  it('was silent where nothing was seen of it, and not known where nothing was recorded', () => {
    const outage = {
      lastedH: 1,
      emptyAfterH: null,
      startCharge: null,
      endCharge: null,
      generatorWh: null,
    } as LoggedOutage;
    expect(knownOutage(outage, [sample(0), sample(10, away), sample(3610)]).generatorWh).toBe(0);
    expect(knownOutage(outage, []).generatorWh).toBeNull();
    expect(
      knownOutage({ ...outage, generatorWh: 700 }, [sample(0), sample(10, away), sample(3610)]).generatorWh,
    ).toBe(700);
  });
});

describe('the course of an outage', () => {
  it('is the mean of each minute; what another source feeds is not the house', () => {
    const samples = [
      sample(100, { ...away, batteryW: 400 }),
      sample(130, { ...away, batteryW: 600, solarW: 100 }),
      sample(170, { ...away, batteryW: -2000, solarW: 300 }),
    ];
    const { loadW, sunW, charge } = courseOfSamples(samples, 100, 3);
    expect(loadW[0]).toBeCloseTo(550, 3);
    expect(sunW[0]).toBeCloseTo(50, 3);
    // Held over from the minute before, since nothing tells of the house there.
    expect(loadW[1]).toBeCloseTo(550, 3);
    expect(sunW[1]).toBeCloseTo(300, 3);
    expect(charge[2]).toBeCloseTo(0.9, 6);
  });

  it('is not known where nothing was read for half an hour', () => {
    const { loadW } = courseOfSamples([sample(0, away), sample(4000, away)], 0, 80);
    expect(loadW[30]).toBe(600);
    expect(loadW[31]).toBeNaN();
    expect(loadW[66]).toBe(600);
  });
});

describe('readings of a file', () => {
  const fromS = Date.parse('2026-02-28T20:00:00Z') / 1000;
  const spanOf = { fromS, toS: fromS + 3600 };
  const read = (text: string, zone = 'America/Halifax') =>
    samplesOfTable(
      text
        .trim()
        .split('\n')
        .map((line) => line.split(';')),
      zone,
      spanOf,
    );

  it('are known by the heads of their columns, on the clock of the house', () => {
    const table = read(`
Time;Battery (kW);Solar (W);SoC %
2026-02-28 15:59;0;10;97
2026-02-28 16:00;0,8;20;97
2026-02-28 16:15;1.2;;96
2026-02-28 17:05;-0.5;0;96.5`);
    expect(table).toMatchObject({ ok: true, beganAt: '2026-02-28T19:59:00.000Z', skipped: 0 });
    if (!table.ok) return;
    expect(table.samples.map(({ second, isOnGrid }) => [second, isOnGrid])).toEqual([
      [0, true],
      [60, false],
      [960, false],
      [3960, true],
    ]);
    expect(table.samples.map(({ batteryW }) => batteryW)).toEqual([0, 800, 1200, -500]);
    expect(table.samples[2]).toMatchObject({ solarW: null, charge: 0.96 });
    expect(table.columns).toEqual(['time: Time', 'battery: Battery (kW)', 'sun: Solar (W)', 'charge: SoC %']);
  });

  it('give the battery as the house less the sun, where it is not read itself', () => {
    const table = read(`
Timestamp;House load W;PV W
2026-02-28T20:10:00Z;900;200
2026-02-28T20:20:00Z;1000;0`);
    expect(table.ok && table.samples.map(({ batteryW }) => batteryW)).toEqual([700, 1000]);
  });

  it.each([
    ['time;load\n', 'no rows below'],
    ['when;load\n2026-02-28 16:00;5', 'No column has a moment'],
    ['time;wind\n2026-02-28 16:00;5', 'No column has charge'],
    ['time;load\nyesterday;5\n2026-02-28 16:00;5', '1 of these lie in the outage'],
    ['time;load\n2025-02-28 16:00;5\n2025-02-28 16:10;5', '0 of these lie in the outage'],
  ])('say what to change: %j', (text, says) => {
    const table = read(text);
    expect(!table.ok && table.message).toContain(says);
  });

  it('pass rows that go backwards over, and count them', () => {
    const table = read(`
time;load
2026-02-28 16:00;5
2026-02-28 16:20;5
2026-02-28 16:10;5`);
    expect(table.ok && [table.samples.length, table.skipped]).toEqual([2, 1]);
  });
});
