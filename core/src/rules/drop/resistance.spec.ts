import { describe, expect, it } from 'vitest';
import type { AmericanSize } from '../../electric/index.js';
import { areaByGauge } from '../testing/area-by-gauge.js';
import { dcResistance } from './resistance.js';

/**
 * Ω·cmil/ft at 75 °C of stranded conductors: annealed copper of 100 % IACS has 10.371 at 20 °C and rises by 0.393 % a °C, aluminium of
 * 61 % has 17.002 and rises by 0.403 %; strands are 2 % longer than the conductor (IEC 60028, ASTM B8; recalled).
 */
const resistivity = [10.371 * (1 + 0.00393 * 55) * 1.02, 17.002 * (1 + 0.00403 * 55) * 1.02] as const;

describe('direct-current resistance of American sizes', () => {
  it.each(Object.keys(dcResistance.values) as AmericanSize[])('of %s is resistivity over area', (size) => {
    dcResistance.values[size].forEach((ohmFor1000Ft, material) => {
      const ratio = (ohmFor1000Ft * areaByGauge(size)) / 1000 / resistivity[material]!;
      expect(Math.abs(ratio - 1)).toBeLessThan(0.009);
    });
  });
});
