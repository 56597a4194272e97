import { describe, expect, it } from 'vitest';
import type { LearnedHouse } from './company-sheet.schema.js';
import { learnedBattery } from './learned-battery.js';
import { learnedDefault } from './learned-default.js';

const id = (number: number): string => `00000000-0000-4000-8000-00000000000${number}`;
const measured = {
  recordingId: id(9),
  at: '2026-01-01T00:00:00Z',
  usableTimes: 0.96,
  standbyW: 100,
  dischargeTimes: 1,
  chargeTimes: 1,
};
const parts = [
  { unitId: 'inverter', quantity: 1 },
  { unitId: 'pack', quantity: 2 },
];
const house = (number: number, more: Partial<LearnedHouse> = {}): LearnedHouse => ({
  jobId: id(number),
  jobName: `House ${number}`,
  on: '2026-01-01',
  ordinaryTimes: 1,
  weatherTimes: 1,
  outages: 1,
  battery: null,
  ...more,
});

describe('what houses of a company taught of loads', () => {
  it('is their mean, by outages, without the house itself', () => {
    const houses = [
      house(1, { ordinaryTimes: 0.8, outages: 3 }),
      house(2, { ordinaryTimes: 1.2, weatherTimes: 2 }),
      house(3, { ordinaryTimes: 9 }),
    ];
    const learned = learnedDefault(houses, id(3))!;
    expect(learned.ordinaryTimes).toBeCloseTo(0.9, 12);
    expect(learned.weatherTimes).toBeCloseTo(1.25, 12);
    expect(learned).toMatchObject({ houses: 2, outages: 4 });
    expect(learnedDefault([house(1)], id(1))).toBeNull();
  });
});

describe('what houses of a company measured of units', () => {
  const one = house(1, { battery: { parts, measured } });
  it('holds for the same kinds of units, what they take themselves for as many of them', () => {
    const other = house(2, {
      battery: { parts: [parts[1]!, parts[0]!], measured: { ...measured, usableTimes: 0.92, standbyW: 120 } },
    });
    expect(learnedBattery([one, other], id(5), parts)).toMatchObject({
      houses: 2,
      measured: { usableTimes: 0.94, standbyW: 110 },
    });
    const more = parts.map((part) => ({ ...part, quantity: 4 }));
    expect(learnedBattery([one], id(5), more)?.measured).toMatchObject({ usableTimes: 0.96, standbyW: null });
  });

  it('is nothing for other units, or of the house itself', () => {
    expect(learnedBattery([one], id(5), [parts[0]!])).toBeNull();
    expect(learnedBattery([one], id(1), parts)).toBeNull();
    expect(learnedBattery([house(2)], id(5), parts)).toBeNull();
  });
});
