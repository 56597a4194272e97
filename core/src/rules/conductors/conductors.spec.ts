import { describe, expect, it } from 'vitest';
import { conductorSizes, isMetricSize } from '../../electric/index.js';
import { ampacityA, type ConductorUse } from './ampacity.js';
import { columnOf } from './column-of.js';
import { largestBreakerA } from './largest-breaker.js';
import { standardBreakerA } from './standard-breaker.js';
import { wholeDwellingRatingA } from './whole-dwelling-rating.js';

const at = (columnC: 60 | 75): ConductorUse => ({ columnC, loaded: 2 });
const loaded = (count: 2 | 3): ConductorUse => ({ columnC: 75, loaded: count });

describe('ampacity (NEC 2023 Table 310.16, recalled)', () => {
  const sizes = [
    '14 AWG',
    '12 AWG',
    '10 AWG',
    '8 AWG',
    '6 AWG',
    '4 AWG',
    '3 AWG',
    '2 AWG',
    '1 AWG',
    '1/0 AWG',
    '2/0 AWG',
    '3/0 AWG',
    '4/0 AWG',
  ] as const;
  it.each([
    ['copper', 75, [20, 25, 35, 50, 65, 85, 100, 115, 130, 150, 175, 200, 230]],
    ['copper', 60, [15, 20, 30, 40, 55, 70, 85, 95, 110, 125, 145, 165, 195]],
    ['aluminium', 75, [null, 20, 30, 40, 50, 65, 75, 90, 100, 120, 135, 155, 180]],
    ['aluminium', 60, [null, 15, 25, 35, 40, 55, 65, 75, 85, 100, 115, 130, 150]],
  ] as const)('of %s at %i °C', (material, columnC, expected) => {
    expect(sizes.map((size) => ampacityA({ size, material }, at(columnC)))).toEqual(expected);
  });

  it('rises with size and temperature, falls with a third loaded conductor; aluminium carries less than copper', () => {
    for (const isMetric of [true, false]) {
      const system = conductorSizes.filter((size) => isMetricSize(size) === isMetric);
      for (const use of [at(60), at(75), loaded(3)]) {
        const copper = system.map((size) => ampacityA({ size, material: 'copper' }, use)!);
        expect(copper).toEqual(copper.toSorted((a, b) => a - b));
        for (const [index, size] of system.entries()) {
          const aluminium = ampacityA({ size, material: 'aluminium' }, use);
          if (aluminium !== null) expect(aluminium).toBeLessThan(copper[index]!);
          const most = ampacityA({ size, material: 'copper' }, at(75))!;
          expect(copper[index]!).toBeLessThanOrEqual(most);
        }
      }
    }
  });

  it('is that of 60 °C up to 100 A unless somebody looked (110.14(C)(1), recalled)', () => {
    const unseen = { size: '6 AWG', material: 'copper', ratedC: null } as const;
    expect([60, 100, 101].map((ratingA) => columnOf(unseen, ratingA))).toEqual([60, 60, 75]);
    expect(columnOf({ ...unseen, ratedC: 75 }, 60)).toBe(75);
    expect(columnOf({ ...unseen, ratedC: 60 }, 200)).toBe(60);
  });
});

// BS 7671:2018 / IEC 60364-5-52, method C, thermoplastic (recalled): two and three loaded conductors.
describe('ampacity of metric sizes', () => {
  it.each([
    ['2.5 mm²', 27, 24],
    ['4 mm²', 36, 32],
    ['6 mm²', 46, 41],
    ['10 mm²', 63, 57],
    ['16 mm²', 85, 76],
    ['25 mm²', 112, 96],
    ['35 mm²', 138, 119],
  ] as const)('%s carries %i A, or %i A in three phases', (size, two, three) => {
    expect([2, 3].map((count) => ampacityA({ size, material: 'copper' }, loaded(count as 2 | 3)))).toEqual([
      two,
      three,
    ]);
  });

  it('holds the breaker itself: nothing is rounded up', () => {
    expect(largestBreakerA({ size: '2.5 mm²', material: 'copper' }, loaded(2))).toBe(27);
    expect(largestBreakerA({ size: '2.5 mm²', material: 'copper' }, loaded(3), true)).toBe(24);
  });
});

describe('breakers', () => {
  it('come in the standard ratings of NEC 240.6 (recalled)', () => {
    expect([9, 14, 15, 41, 65, 101, 176, 201].map(standardBreakerA)).toEqual([
      10, 15, 15, 45, 70, 110, 200, 225,
    ]);
    expect(standardBreakerA(5000)).toBe(800);
  });

  // 240.4(B) and (D), recalled.
  it.each([
    ['14 AWG', 75, 15],
    ['12 AWG', 75, 20],
    ['10 AWG', 75, 30],
    ['8 AWG', 75, 50],
    ['8 AWG', 60, 40],
    ['6 AWG', 75, 70],
    ['6 AWG', 60, 60],
    ['4 AWG', 60, 70],
    ['3 AWG', 75, 100],
  ] as const)('on %s copper at %i °C: at most %i A', (size, columnC, mostA) => {
    expect(largestBreakerA({ size, material: 'copper' }, at(columnC))).toBe(mostA);
  });

  it('there is none for aluminium of 14 AWG', () => {
    expect(largestBreakerA({ size: '14 AWG', material: 'aluminium' }, at(75))).toBeNull();
  });
});

describe('conductors of a whole dwelling (NEC 2023 Table 310.12(A), recalled)', () => {
  it.each([
    ['copper', '6 AWG', null],
    ['copper', '4 AWG', 100],
    ['copper', '3 AWG', 110],
    ['copper', '2 AWG', 125],
    ['copper', '1 AWG', 150],
    ['copper', '1/0 AWG', 175],
    ['copper', '2/0 AWG', 200],
    ['copper', '3/0 AWG', 225],
    ['copper', '4/0 AWG', 250],
    ['copper', '250 kcmil', 300],
    ['copper', '350 kcmil', 350],
    ['copper', '400 kcmil', 400],
    ['aluminium', '2 AWG', 100],
    ['aluminium', '1 AWG', 110],
    ['aluminium', '1/0 AWG', 125],
    ['aluminium', '2/0 AWG', 150],
    ['aluminium', '3/0 AWG', 175],
    ['aluminium', '4/0 AWG', 200],
    ['aluminium', '250 kcmil', 225],
    ['aluminium', '300 kcmil', 250],
    ['aluminium', '350 kcmil', 300],
    ['aluminium', '500 kcmil', 350],
  ] as const)('%s %s: %s A', (material, size, ratingA) => {
    expect(wholeDwellingRatingA({ material, size })).toBe(ratingA);
  });

  it('are not allowed less than any other conductor, and metric ones nothing more', () => {
    for (const size of conductorSizes) {
      for (const material of ['copper', 'aluminium'] as const) {
        const plain = largestBreakerA({ size, material }, at(75));
        const whole = largestBreakerA({ size, material }, at(75), true);
        if (isMetricSize(size)) expect(whole).toBe(plain);
        else expect(whole ?? 0).toBeGreaterThanOrEqual(plain ?? 0);
      }
    }
  });
});
