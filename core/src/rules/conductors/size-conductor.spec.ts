import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { conductorSizes, isMetricSize } from '../../electric/index.js';
import { deviceForA } from './device-for.js';
import { ambientFactor, bundlingFactor, groupingFactor, iecAmbientFactor } from './heat-and-bundling.js';
import { necAmpacity90A } from './nec-ampacity-90.js';
import { ampacityAsLaidA, judgeConductor, type Laying, sizeConductor } from './size-conductor.js';
import { judgeTap } from './tap-rule.js';

const laid: Laying = { terminalC: 75, insulationC: 90, together: 3, ambientC: 30, loaded: 2 };
const american = conductorSizes.filter((size) => !isMetricSize(size));

describe('what a conductor carries where it lies', () => {
  // NEC 2023, Table 310.16 at 90 °C, and tables 310.15(B)(1) and (C)(1), recalled.
  it('at 90 °C copper of 14 to 1 AWG: 25 30 40 55 75 95 115 130 145 A', () => {
    const column = american.slice(0, 9).map((size) => {
      if (isMetricSize(size)) throw new Error('metric');
      return necAmpacity90A.values[size][0];
    });
    expect(column).toEqual([25, 30, 40, 55, 75, 95, 115, 130, 145]);
  });

  it('heat: 90 °C conductors keep 0.96, 0.91, 0.87, 0.82, 0.76 at 35, 40, 45, 50, 55 °C', () => {
    expect([35, 40, 45, 50, 55].map((c) => ambientFactor(c, 90))).toEqual([0.96, 0.91, 0.87, 0.82, 0.76]);
    expect([30, 31, 60, 75].map((c) => ambientFactor(c, 60))).toEqual([1, 0.91, 0, 0]);
  });

  it('bundling: 80 % from four, 70 % from seven, 50 % from ten', () => {
    expect([3, 4, 6, 7, 9, 10, 20, 21, 31, 41].map(bundlingFactor)).toEqual([
      1, 0.8, 0.8, 0.7, 0.7, 0.5, 0.5, 0.45, 0.4, 0.35,
    ]);
  });

  // BS 7671 tables 4B1 and 4C1, recalled.
  it('metric: 0.94 at 35 °C and 0.87 at 40 °C, two circuits 0.85, three 0.79', () => {
    expect([30, 35, 40].map(iecAmbientFactor)).toEqual([1, 0.94, 0.87]);
    expect([1, 2, 3].map(groupingFactor)).toEqual([1, 0.85, 0.79]);
    const metric = { size: '6 mm²', material: 'copper' } as const;
    expect(ampacityAsLaidA(metric, { ...laid, ambientC: 40, together: 2 })).toBeCloseTo(46 * 0.87 * 0.85);
  });

  // Handbook exercise, recalled: six 10 AWG at 45 °C begin at 40 A and keep 40 · 0.87 · 0.8.
  it('corrections begin at the column of the insulation, and the terminals have the last word', () => {
    const ten = { size: '10 AWG', material: 'copper' } as const;
    expect(ampacityAsLaidA(ten, { ...laid, ambientC: 45, together: 6 })).toBeCloseTo(27.84);
    expect(ampacityAsLaidA(ten, laid)).toBe(35);
    expect(ampacityAsLaidA(ten, { ...laid, terminalC: 60 })).toBe(30);
  });

  it('never rises with heat or company, and never falls with size', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...conductorSizes),
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 1, max: 30 }),
        fc.constantFrom('copper' as const, 'aluminium' as const),
        (size, ambientC, together, material) => {
          const at = (more: Partial<Laying>): number =>
            ampacityAsLaidA({ size, material }, { ...laid, ambientC, together, ...more }) ?? 0;
          expect(at({ ambientC: ambientC + 5 })).toBeLessThanOrEqual(at({}));
          expect(at({ together: together + 3 })).toBeLessThanOrEqual(at({}));
          const larger = conductorSizes[conductorSizes.indexOf(size) + 1];
          if (larger && isMetricSize(larger) === isMetricSize(size))
            expect(
              ampacityAsLaidA({ size: larger, material }, { ...laid, ambientC, together }) ?? 0,
            ).toBeGreaterThanOrEqual(at({}));
        },
      ),
    );
  });
});

describe('the smallest conductor that holds', () => {
  // Common practice, no source: inverters of 32 A.
  it('32 A of inverter output: 40 A breaker, 8 AWG copper; three together: 120 A, 125 A breaker', () => {
    const need = { continuousA: 32, otherA: 0, protectedByA: 40 };
    expect(deviceForA(need, true)).toBe(40);
    expect(sizeConductor(need, 'copper', laid).at(-1)).toMatchObject({ size: '8 AWG', holds: true });
    expect(deviceForA({ continuousA: 96, otherA: 0 }, true)).toBe(125);
    expect(
      sizeConductor({ continuousA: 96, otherA: 0, protectedByA: 125 }, 'copper', laid).at(-1),
    ).toMatchObject({ size: '1 AWG', holds: true });
  });

  it('says why each smaller one does not', () => {
    const tried = sizeConductor({ continuousA: 32, otherA: 0, protectedByA: 40 }, 'copper', laid);
    expect(tried.map(({ size, why }) => `${size}: ${why}`)).toEqual([
      '14 AWG: carries 20 A at its terminals, 40 A are needed',
      '12 AWG: carries 25 A at its terminals, 40 A are needed',
      '10 AWG: carries 35 A at its terminals, 40 A are needed',
      '8 AWG: ',
    ]);
    const small = { size: '12 AWG', material: 'copper' } as const;
    const need = { continuousA: 0, otherA: 16, protectedByA: 25 };
    expect(judgeConductor(small, need, laid).why).toContain('240.4(D)');
    expect(judgeConductor(small, { ...need, exemptFromSmall: true }, laid).holds).toBe(true);
    // 55 A carry a 60 A device, but not behind a tap.
    const six = { size: '6 AWG', material: 'copper' } as const;
    const tap = { continuousA: 0, otherA: 50, protectedByA: 60 };
    expect(judgeConductor(six, tap, { ...laid, terminalC: 60 }).holds).toBe(true);
    expect(judgeConductor(six, { ...tap, noRoundingUp: true }, { ...laid, terminalC: 60 }).holds).toBe(false);
  });

  // IEC 60364-4-43: Ib ≤ In ≤ Iz (recalled); three loaded conductors carry less.
  it('metric: 32 A takes 4 mm² on one phase, and still on three; 40 A on three take 6 mm²', () => {
    const need = (amps: number) => ({
      continuousA: amps,
      otherA: 0,
      protectedByA: deviceForA({ continuousA: amps, otherA: 0 }, false),
    });
    const size = (amps: number, loaded: 2 | 3) =>
      sizeConductor(need(amps), 'copper', { ...laid, together: 1, loaded }, true).at(-1)!.size;
    expect([size(32, 2), size(32, 3), size(36, 2), size(36, 3), size(45, 3)]).toEqual([
      '4 mm²',
      '4 mm²',
      '6 mm²',
      '6 mm²',
      '10 mm²',
    ]);
  });

  it('always carries what it is asked for, or says that nothing of the list does', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.constantFrom('copper' as const, 'aluminium' as const),
        fc.integer({ min: 20, max: 50 }),
        (continuousA, otherA, material, ambientC) => {
          const protectedByA = deviceForA({ continuousA, otherA }, true);
          const need = { continuousA, otherA, protectedByA };
          const tried = sizeConductor(need, material, { ...laid, ambientC });
          const last = tried.at(-1)!;
          expect(tried.slice(0, -1).every(({ holds }) => !holds)).toBe(true);
          if (last.holds) expect(last.carriesA).toBeGreaterThanOrEqual(continuousA + otherA - 1e-6);
          else expect(last.size).toBe('500 kcmil');
        },
      ),
    );
  });
});

describe('taps (NEC 2023, 240.21(B), 705.12(A)(3), recalled)', () => {
  const tap = { carriesA: 65, lengthM: 2, aheadA: 400, endsInA: 60 };
  it('within 10 ft a tenth of what is ahead, within 25 ft a third, no longer', () => {
    expect(judgeTap(tap)).toMatchObject({ clause: '240.21(B)(1)', leastA: 60, holds: true });
    expect(judgeTap({ ...tap, lengthM: 6 })).toMatchObject({ clause: '240.21(B)(2)', holds: false });
    expect(judgeTap({ ...tap, lengthM: 6, aheadA: 180 }).holds).toBe(true);
    expect(judgeTap({ ...tap, lengthM: 9 }).holds).toBe(false);
  });
  it('where sources feed the feeder too, a third of both', () => {
    const fed = judgeTap({ ...tap, aheadA: 150, sourcesA: 60 });
    expect(fed.leastA).toBeCloseTo(70);
    expect(fed.holds).toBe(false);
  });
});
