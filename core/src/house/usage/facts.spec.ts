import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { harbourSurvey } from '../demo/demo-survey.js';
import { circuitsById } from '../panels/find-circuit.js';
import { detectStep } from '../monitor/detect-step.js';
import { simulatedChannels, simulatedSample } from '../monitor/simulated-house.js';
import { billDayWh, billFacts } from './bill-facts.js';
import { outageFacts, reliabilityFacts } from './outage-facts.js';
import { houseClock, instantOf, instantText } from './house-clock.js';
import { neverShown, readBills, readLengthS, readOutages } from './read-lists.js';
import { nameLikeness, suggestCircuits } from './suggest-circuits.js';
import type { Bill, Outage } from './usage.schema.js';

let next = 0;
const makeId = (): string => `id-${next++}`;
const bill = (fromDay: string, toDay: string, kWh: number): Bill => ({
  id: makeId(),
  fromDay,
  toDay,
  energyWh: kWh * 1000,
  exportWh: null,
});
const outage = (start: string, hours: number): Outage => ({ id: makeId(), start, durationS: hours * 3600 });

describe('bills', () => {
  // Common practice, no source: 1,200 kWh are 40 kWh a day, 2,400 are 80, over thirty days.
  it('give day averages by real days', () => {
    expect(billDayWh(bill('2026-04-01', '2026-05-01', 1200))).toBe(40_000);
    expect(billDayWh(bill('2026-04-01', '2026-05-01', 2400))).toBe(80_000);
    expect(billDayWh(bill('2026-02-01', '2026-03-01', 1120))).toBe(40_000);
    expect(billDayWh(bill('2024-02-01', '2024-03-01', 1160))).toBe(40_000);
  });

  it('know extremes, seasons, gaps and overlaps', () => {
    const facts = billFacts(
      [
        bill('2026-07-01', '2026-08-01', 310),
        bill('2026-01-01', '2026-02-01', 930),
        bill('2026-01-20', '2026-02-05', 160),
      ],
      false,
    )!;
    expect(facts.highest.energyWh).toBe(930_000);
    expect([310_000, 160_000]).toContain(facts.lowest.energyWh);
    expect(facts.seasonDayWh.summer).toBe(10_000);
    expect(facts.seasonDayWh.shoulder).toBeNull();
    expect(facts.overlapping).toHaveLength(1);
    expect(facts.missingDays).toBe(146);
    expect(billFacts([bill('2026-01-01', '2026-02-01', 930)], true)!.seasonDayWh.summer).toBe(30_000);
    expect(billFacts([], false)).toBeNull();
  });

  it('are pasted with two dates, or with one', () => {
    const two = readBills(
      [
        ['From', 'To', 'kWh'],
        ['2026-01-01', '2026-02-01', '930'],
        ['02/01/2026', '03/01/2026', '1,120 kWh'],
      ],
      false,
      false,
      makeId,
    );
    expect(two.map(({ value }) => value && [value.fromDay, value.toDay, value.energyWh])).toEqual([
      ['2026-01-01', '2026-02-01', 930_000],
      ['2026-02-01', '2026-03-01', 1_120_000],
    ]);
    const one = readBills(
      [
        ['2026-02-01', '930'],
        ['2026-03-03', '700', '25'],
      ],
      false,
      false,
      makeId,
    );
    expect(one.map(({ value }) => value && [value.fromDay, value.toDay, value.exportWh])).toEqual([
      ['2026-01-01', '2026-02-01', null],
      ['2026-02-01', '2026-03-03', 25_000],
    ]);
  });

  it('that cannot be read say why', () => {
    const rows = readBills(
      [
        ['2026-02-01', '2026-01-01', '5'],
        ['2026-02-01', 'x'],
        ['2026-02-01'],
        ['2026-01-01', '2026-02-01', '-4'],
      ],
      false,
      false,
      makeId,
    );
    expect(rows.map(({ problem }) => problem)).toEqual([
      expect.stringContaining('ends before'),
      expect.any(String),
      expect.stringContaining('no kilowatt-hours'),
      expect.stringContaining('at least 0'),
    ]);
  });
});

describe('outages', () => {
  const list = [
    outage('2024-01-01T00:00:00Z', 0.001),
    outage('2024-06-01T00:00:00Z', 2),
    outage('2025-01-01T00:00:00Z', 6),
    outage('2026-01-01T00:00:00Z', 50),
  ];

  it('yield how many a year, median, 90 %, longest, and what a runtime covers', () => {
    const facts = outageFacts(list, 4, 24)!;
    expect(facts).toMatchObject({
      count: 4,
      perYear: 1,
      flickers: 1,
      sustained: 3,
      medianS: 6 * 3600,
      longestS: 50 * 3600,
    });
    expect(facts.ninetiethS).toBe(50 * 3600);
    expect(facts.coveredShare).toBeCloseTo(2 / 3, 9);
    expect(facts.coveredHoursShare).toBeCloseTo((2 + 6 + 24) / 58, 9);
    expect(outageFacts(list, null, 24)!.years).toBeCloseTo(2, 1);
    expect(outageFacts([], 4, 24)).toBeNull();
  });

  it('cover more with more runtime, never less', () => {
    let last = 0;
    for (const hours of [0.5, 2, 6, 20, 50, 100]) {
      const { coveredHoursShare } = outageFacts(list, 4, hours)!;
      expect(coveredHoursShare).toBeGreaterThanOrEqual(last);
      last = coveredHoursShare;
    }
    expect(last).toBe(1);
  });

  // IEEE 1366: CAIDI = SAIDI ÷ SAIFI (recalled).
  it('by yearly indices have a mean length', () => {
    expect(reliabilityFacts({ interruptionsPerYear: 1.5, minutesPerYear: 180 }, 2)!.meanH).toBe(2);
    expect(reliabilityFacts({ interruptionsPerYear: 1.5, minutesPerYear: 180 }, 2)!.coveredShare).toBeCloseTo(
      1 - Math.exp(-1),
      9,
    );
    expect(reliabilityFacts({ interruptionsPerYear: 0, minutesPerYear: 0 }, 2)).toBeNull();
  });

  it('are pasted with a length or an end', () => {
    const rows = readOutages(
      [
        ['Start', 'End'],
        ['2026-01-01 10:00', '2026-01-01 12:30'],
        ['2026-02-01 10:00', '95 min'],
        ['2026-03-01 10:00', '2:30'],
        ['2026-04-01 10:00', 'long'],
      ],
      false,
      'Europe/Vienna',
      makeId,
    );
    expect(rows.map(({ value }) => value?.durationS ?? null)).toEqual([9000, 5700, 9000, null]);
    expect(rows.map(({ value }) => value?.start ?? null)).toEqual([
      '2026-01-01T09:00:00Z',
      '2026-02-01T09:00:00Z',
      '2026-03-01T09:00:00Z',
      null,
    ]);
    expect([readLengthS('20 s'), readLengthS('1.5 h'), readLengthS('45')]).toEqual([20, 5400, 2700]);
  });
});

describe('the clock of the house', () => {
  it('reads times with an offset as moments, and lengths across a change of the clock as they were', () => {
    // Central European time goes ahead at 01:00 UTC on 29 March 2026 and back on 25 October 2026 (Directive 2000/84/EC).
    const rows = readOutages(
      [
        ['2026-01-01T10:00:00-05:00', '1 h'],
        ['2026-03-29 01:30', '2026-03-29 03:30'],
        ['2026-10-25 01:30', '2026-10-25 03:30'],
        ['2026-03-29 02:30', '1 h'],
      ],
      false,
      'Europe/Vienna',
      makeId,
    );
    expect(rows.map(({ value, problem }) => value?.start ?? problem)).toEqual([
      '2026-01-01T15:00:00Z',
      '2026-03-29T00:30:00Z',
      '2026-10-24T23:30:00Z',
      neverShown,
    ]);
    expect(rows.slice(1, 3).map(({ value }) => value!.durationS / 3600)).toEqual([1, 3]);
  });

  const zones = ['UTC', 'Europe/Vienna', 'America/Halifax', 'Australia/Adelaide', 'Asia/Kathmandu'];
  it('shows each moment, and leads back to it', () => {
    const minutes = fc.integer({ min: Date.UTC(2000) / 60_000, max: Date.UTC(2040) / 60_000 });
    fc.assert(
      fc.property(minutes, fc.constantFrom(...zones), (minute, zone) => {
        const instant = instantText(minute * 60);
        const back = instantOf(houseClock(instant, zone), zone)!;
        // The second pass of a repeated hour leads to the first.
        expect(houseClock(back, zone)).toBe(houseClock(instant, zone));
        expect(Date.parse(instant) - Date.parse(back)).toBeOneOf([0, 3_600_000]);
      }),
    );
  });
});

describe('names of channels', () => {
  it('find their circuits', () => {
    const circuits = [...circuitsById(harbourSurvey('split-120-240').survey).values()];
    const map = suggestCircuits(['Well pump', 'Fridge/Refrigerator', 'CH 7 Sump', 'Zzz'], circuits);
    const nameOf = (channel: string) =>
      circuits.find(({ circuit }) => circuit.id === map.get(channel))?.circuit.name;
    expect(nameOf('Well pump')).toBe('Well pump');
    expect(nameOf('Fridge/Refrigerator')).toBe('Refrigerator');
    expect(nameOf('CH 7 Sump')).toBe('Sump pump');
    expect(nameOf('Zzz')).toBeUndefined();
    expect(new Set(map.values()).size).toBe(map.size);
  });

  it('are as alike as they are the other way round', () => {
    expect(nameLikeness('Kitchen left', 'left kitchen')).toBe(1);
    expect(nameLikeness('a b', 'c')).toBe(nameLikeness('c', 'a b'));
    expect(nameLikeness('', 'x')).toBe(0);
  });
});

describe('the simulated house', () => {
  const at = Date.UTC(2026, 0, 15, 18) / 1000;
  const index = (name: string): number => simulatedChannels.indexOf(name);

  it('has 32 channels and says the same for the same seed', () => {
    expect(simulatedChannels).toHaveLength(32);
    expect(simulatedSample(3, at, 0)).toEqual(simulatedSample(3, at, 0));
    expect(simulatedSample(3, at, 0)).not.toEqual(simulatedSample(4, at, 0));
  });

  it('puts on the mains what its circuits draw, and a little more', () => {
    for (let hour = 0; hour < 48; hour += 1) {
      const { powerW } = simulatedSample(1, at + hour * 3600, 0);
      const circuits = powerW.slice(2).reduce((sum, w) => sum + Math.abs(w), 0);
      const unmetered = powerW[0]! + powerW[1]! - circuits;
      expect(unmetered).toBeGreaterThan(60);
      expect(unmetered).toBeLessThan(70);
    }
  });

  it('shows a switch that is thrown, with its start, and the walk finds both', () => {
    const switches = new Map([['Sump pump', at + 20]]);
    const samples = Array.from({ length: 40 }, (_, i) => {
      const { powerW, peakW } = simulatedSample(1, at + i, 0, switches);
      return { atS: at + i, powerW: powerW[index('Sump pump')]!, peakW: peakW[index('Sump pump')]! };
    });
    const step = detectStep(samples)!;
    expect(step.runningW).toBeGreaterThan(600 * 0.97);
    expect(step.runningW).toBeLessThan(600 * 1.03);
    // The pump of the simulated house starts at five times its running power.
    expect(step.multiple).toBeGreaterThan(4.8);
    expect(step.multiple).toBeLessThan(5.2);
  });

  it('finds no step where nothing is switched on', () => {
    const steady = Array.from({ length: 30 }, (_, i) => ({ atS: i, powerW: 100 + (i % 3), peakW: 103 }));
    expect(detectStep(steady)).toBeNull();
    expect(detectStep(steady.slice(0, 3))).toBeNull();
  });

  it('finds a step on top of what runs already, wherever it falls', () => {
    for (let when = 3; when < 25; when += 1) {
      const samples = Array.from({ length: 32 }, (_, i) => ({
        atS: i,
        powerW: 200 + (i >= when ? 500 : 0),
        peakW: 200 + (i >= when ? 500 : 0) + (i === when ? 1500 : 0),
      }));
      expect(detectStep(samples)).toMatchObject({ runningW: 500, startW: 2000, multiple: 4, beforeW: 200 });
    }
  });
});
