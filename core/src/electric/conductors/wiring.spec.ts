import { describe, expect, it } from 'vitest';
import { ampacityA } from './ampacity.js';
import { conductorSizes } from './conductor.schema.js';
import { largestBreakerA } from './largest-breaker.js';
import { standardBreakerA } from './standard-breaker.js';

describe('ampacity (NEC 2023 Table 310.16, copper at 75 °C, recalled)', () => {
  it.each([
    ['14 AWG', 20],
    ['12 AWG', 25],
    ['10 AWG', 35],
    ['8 AWG', 50],
    ['6 AWG', 65],
    ['4 AWG', 85],
    ['3 AWG', 100],
    ['2 AWG', 115],
    ['1 AWG', 130],
    ['1/0 AWG', 150],
    ['2/0 AWG', 175],
    ['3/0 AWG', 200],
    ['4/0 AWG', 230],
  ] as const)('%s carries %i A', (size, currentA) => {
    expect(ampacityA({ size, material: 'copper' })).toBe(currentA);
  });

  it('rises with size, and aluminium carries less than copper', () => {
    for (const system of [
      conductorSizes.filter((size) => !size.endsWith('mm²')),
      conductorSizes.filter((size) => size.endsWith('mm²')),
    ]) {
      const copper = system.map((size) => ampacityA({ size, material: 'copper' })!);
      expect(copper).toEqual(copper.toSorted((a, b) => a - b));
      for (const size of system) {
        const aluminium = ampacityA({ size, material: 'aluminium' });
        if (aluminium !== null) expect(aluminium).toBeLessThan(ampacityA({ size, material: 'copper' })!);
      }
    }
  });
});

describe('breakers', () => {
  it('come in the standard ratings of NEC 240.6 (recalled)', () => {
    expect([14, 15, 41, 65, 101, 176, 201].map(standardBreakerA)).toEqual([15, 15, 45, 70, 110, 200, 225]);
    expect(standardBreakerA(5000)).toBe(800);
  });

  it('on dwelling services: 2/0 copper and 4/0 aluminium for 200 A (NEC 310.12, recalled)', () => {
    expect(largestBreakerA({ size: '2/0 AWG', material: 'copper' }, true)).toBeGreaterThanOrEqual(200);
    expect(largestBreakerA({ size: '4/0 AWG', material: 'aluminium' }, true)).toBeGreaterThanOrEqual(200);
    expect(largestBreakerA({ size: '14 AWG', material: 'aluminium' })).toBeNull();
  });

  it('in metric systems are held by the ampacity itself', () => {
    expect(largestBreakerA({ size: '2.5 mm²', material: 'copper' })).toBe(27);
  });
});
