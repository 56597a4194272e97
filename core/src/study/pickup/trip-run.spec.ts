import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tripLevels } from '../output/overload-axes.js';
import { startShape, tripRun, voltageDipShare } from '../../electric/index.js';
import { startRatio, startShare } from '../../equipment/index.js';

const overload = [
  { apparentPowerVA: 9000, durationS: 5 },
  { apparentPowerVA: 12_000, durationS: 0.5 },
];
const levels = tripLevels({ ratedVA: 6000, overload });
const retry = { afterS: 10, tries: 2 };
const box = (va: number, lengthS: number) => (timeS: number) => (timeS < lengthS - 1e-9 ? va : 1000);

describe('an overload, followed in steps of 10 ms', () => {
  it('holds for exactly its seconds, and one step longer trips', () => {
    expect(tripRun(box(8000, 5), levels, [], retry, 20).tripped).toBe(false);
    expect(tripRun(box(8000, 5.01), levels, [], retry, 20).tripped).toBe(true);
    expect(tripRun(box(11_000, 0.5), levels, [], retry, 20).tripped).toBe(false);
    expect(tripRun(box(11_000, 0.51), levels, [], retry, 20).tripped).toBe(true);
    expect(tripRun(box(12_001, 0.01), levels, [], retry, 20).tripped).toBe(true);
    expect(tripRun(() => 6000, levels, [], retry, 20).tripped).toBe(false);
  });

  it('trips, waits, tries again, and locks out after its last try', () => {
    const { events, lockedOut, demandVA } = tripRun(() => 8000, levels, [], retry, 60);
    expect(events.map(({ kind }) => kind)).toEqual([
      'overload',
      'trip',
      'retry',
      'overload',
      'trip',
      'retry',
      'overload',
      'trip',
      'lock-out',
    ]);
    expect(events.filter(({ kind }) => kind === 'trip').map(({ timeS }) => timeS)).toEqual([
      expect.closeTo(5, 6),
      expect.closeTo(20, 6),
      expect.closeTo(35, 6),
    ]);
    expect(lockedOut).toBe(true);
    expect(demandVA[700]).toBe(0);
  });

  it('is ended by a device that answers in time, and is not by one that does not', () => {
    const shed = (responseS: number) => [{ name: 'Range', powerVA: 3000, responseS, order: 1 }];
    const inTime = tripRun(() => 8000, levels, shed(2), retry, 30);
    expect(inTime.tripped).toBe(false);
    expect(inTime.events.map(({ kind }) => kind)).toEqual(['overload', 'shed', 'holds']);
    expect(inTime.demandVA.at(-1)).toBe(5000);
    expect(tripRun(() => 8000, levels, shed(6), retry, 30).tripped).toBe(true);
  });

  it('opens circuits in their order until the rest fits', () => {
    const sheds = [
      { name: 'Second', powerVA: 1000, responseS: 0.5, order: 2 },
      { name: 'First', powerVA: 1500, responseS: 0.5, order: 1 },
      { name: 'Third', powerVA: 4000, responseS: 0.5, order: 3 },
    ];
    const { events } = tripRun(() => 8000, levels, sheds, retry, 30);
    expect(events.filter(({ kind }) => kind === 'shed').map(({ what }) => what)).toEqual(['First', 'Second']);
  });
});

describe('a start against an overload curve', () => {
  it('agrees with the step-by-step run: it holds exactly where no moment is above the curve', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1000, max: 16_000 }),
        fc.integer({ min: 0, max: 5900 }),
        fc.integer({ min: 5, max: 800 }),
        (surgeVA, runsVA, hundredths) => {
          const durationS = hundredths / 100;
          const level = (timeS: number): number =>
            runsVA + Math.max(0, surgeVA - runsVA) * startShape(timeS, durationS);
          const { ratio } = startRatio(level, durationS, 6000, overload);
          // Away from the limit itself, and from durations that are those of the curve, one step does not matter.
          fc.pre(Math.abs(ratio - 1) > 0.03);
          expect(tripRun(level, levels, [], retry, 12).tripped).toBe(ratio > 1);
        },
      ),
    );
  });

  it('gives the same ratio without objects', () => {
    const watts = fc.integer({ min: 1, max: 16_000 });
    fc.assert(
      fc.property(
        watts,
        watts,
        watts,
        fc.integer({ min: 1, max: 900 }),
        (besideVA, runsVA, more, hundredths) => {
          const durationS = hundredths / 100;
          const surgeVA = runsVA + more;
          const level = (timeS: number): number => besideVA + runsVA + more * startShape(timeS, durationS);
          const { ratio } = startRatio(level, durationS, 6000, overload);
          expect(startShare(besideVA, runsVA, surgeVA, durationS, 6000, overload)).toBeCloseTo(ratio, 9);
        },
      ),
    );
  });

  it('is the plain box where the start is over before the shortest overload is', () => {
    const { ratio, timeS } = startRatio(() => 11_000, 0.4, 6000, overload);
    expect([ratio, timeS]).toEqual([expect.closeTo(11_000 / 12_000, 9), 0]);
    expect(startRatio(() => 8000, 2, 6000, overload)).toMatchObject({ timeS: 0.5, allowedVA: 9000 });
  });
});

it('the voltage dips in proportion to what is drawn', () => {
  expect(voltageDipShare(0.04, 12_000, 6000)).toBeCloseTo(0.08, 9);
  expect(voltageDipShare(null, 12_000, 6000)).toBeNull();
});
