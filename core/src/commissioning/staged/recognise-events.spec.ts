import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chargeCrossings } from './charge-crossings.js';
import type { OutageExpectation } from './expectation.js';
import { outageFindings } from './outage-findings.js';
import type { OutageSample } from './outage-sample.js';
import { recogniseEvents } from './recognise-events.js';

const onGrid: OutageSample = {
  second: 0,
  gridV: 230,
  legV: [230],
  frequencyHz: 50,
  isOnGrid: true,
  batteryW: 0,
  solarW: 2000,
  gridW: -1000,
  charge: 0.6,
  gapMs: null,
};
const island: OutageSample = { ...onGrid, gridV: 0, isOnGrid: false, batteryW: 1000, solarW: 0, gridW: 0 };
const dark: OutageSample = { ...island, legV: [0], frequencyHz: 0, batteryW: 0 };
/** Stretches of the same reading, one a second. */
const recording = (...parts: readonly (readonly [seconds: number, shows: OutageSample])[]): OutageSample[] =>
  parts
    .flatMap(([seconds, shows]) => Array.from({ length: seconds }, () => shows))
    .map((shows, second) => ({ ...shows, second }));
const expects: OutageExpectation = {
  usableWh: 10_000,
  nominalHz: 50,
  solarWaitsS: 60,
  watchesS: 300,
  carriesW: 5000,
  generator: { startBelow: 0.3, comesWithinS: 600 },
};
const told = (samples: readonly OutageSample[]): (readonly [number, string])[] =>
  recogniseEvents(samples, 50).map(({ second, kind }) => [second, kind] as const);
const findings = (samples: readonly OutageSample[]) =>
  outageFindings(samples, recogniseEvents(samples, 50), expects);

describe('events of a recorded outage', () => {
  it('are each told once, at the second they begin', () => {
    const sunny = { ...island, batteryW: -1000, solarW: 2000 };
    const raised = { ...sunny, frequencyHz: 51, batteryW: -100, solarW: 1100, charge: 1 };
    const samples = recording(
      [30, onGrid],
      [1, dark],
      [70, island],
      [100, sunny],
      [100, raised],
      [100, { ...raised, gridV: 230 }],
      [60, onGrid],
    );
    expect(told(samples)).toEqual([
      [30, 'grid-away'],
      [30, 'dark'],
      [31, 'island'],
      [101, 'solar-back'],
      [201, 'full'],
      [201, 'backs-off'],
      [301, 'grid-back'],
      [401, 'on-grid'],
    ]);
    const found = findings(samples);
    expect(found.get('gap')?.reading).toBe(1000);
    expect(found.get('solar-back')?.reading).toBe(70);
    expect(found.get('return')?.reading).toBe(100);
    expect(
      [found.get('goes-on'), found.get('backs-off'), found.get('smooth')].map((one) => one?.isSo),
    ).toEqual([true, true, true]);
  });

  it('know a generator from the sun, something switched off from a load that ends, and silence', () => {
    const charging = { ...island, batteryW: -2500 };
    const samples = recording(
      [10, onGrid],
      [60, island],
      [60, charging],
      [60, { ...island, batteryW: 3000 }],
      [20, island],
    )
      // A minute nobody could be asked.
      .filter(({ second }) => second < 140 || second > 170);
    expect(told(samples).map(([, kind]) => kind)).toEqual([
      'grid-away',
      'island',
      'generator',
      'generator-away',
      'silent',
      'shed',
    ]);
    expect(recogniseEvents(samples, 50).find(({ kind }) => kind === 'generator')?.amount).toBe(2500);
    expect(findings(samples).get('generator')?.isSo).toBe(true);
  });

  it('tell a trip from an empty battery, and a generator that does not come', () => {
    const low = { ...island, charge: 0.25 };
    const trip = recording([10, onGrid], [60, island], [30, dark], [60, island]);
    expect(findings(trip).get('carries')?.isSo).toBe(false);
    const empty = recording([10, onGrid], [60, { ...island, charge: 0.01 }], [30, { ...dark, charge: 0 }]);
    expect(findings(empty).has('carries')).toBe(false);
    expect(findings(recording([10, onGrid], [500, low])).has('generator')).toBe(false);
    expect(findings(recording([10, onGrid], [700, low])).get('generator')?.isSo).toBe(false);
    expect(findings(recording([10, onGrid], [300, dark])).get('goes-on')?.isSo).toBe(false);
  });

  it('are none of a recording in which the grid never went, and nothing that devices send ends the program', () => {
    expect(findings(recording([100, onGrid])).size).toBe(0);
    const number = fc.option(fc.double({ noNaN: true, min: -1e9, max: 1e9 }), { nil: null });
    const sample = fc.record({
      second: fc.nat(100_000),
      gridV: number,
      legV: fc.array(number, { maxLength: 3 }),
      frequencyHz: number,
      isOnGrid: fc.option(fc.boolean(), { nil: null }),
      batteryW: number,
      solarW: number,
      gridW: number,
      charge: fc.option(fc.double({ noNaN: true, min: 0, max: 1 }), { nil: null }),
      gapMs: number,
    });
    fc.assert(
      fc.property(fc.array(sample, { maxLength: 60 }), (samples) => {
        const inOrder = samples.toSorted((a, b) => a.second - b.second);
        for (const { reading } of findings(inOrder).values())
          expect(reading === null || Number.isFinite(reading)).toBe(true);
      }),
    );
  });
});

describe('crossings of a shown charge', () => {
  it('lie where a charge that falls evenly passes them, shown with flicker or without', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 0.95, noNaN: true }),
        fc.double({ min: 1e-5, max: 1e-4, noNaN: true }),
        fc.boolean(),
        fc.integer({ min: 1, max: 1e6 }),
        (from, perSample, flickers, seed) => {
          let state = seed;
          const noise = (): number => {
            state = (state * 48_271) % 2_147_483_647;
            return state / 2_147_483_647 - 0.5;
          };
          const charge = Array.from({ length: 4000 }, (_, index) => from - perSample * index);
          const shown = charge.map((one) => Math.round((one + (flickers ? 0.006 * noise() : 0)) * 100) / 100);
          const passed = charge.map((_, index) => index);
          for (const one of chargeCrossings(shown, passed))
            expect(Math.abs(charge[one.index]! - one.charge)).toBeLessThan(
              Math.max(4 * one.error, perSample * 1.01),
            );
        },
      ),
    );
  });
});
