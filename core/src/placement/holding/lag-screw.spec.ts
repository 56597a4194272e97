import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lagShearN, lagWithdrawalNPerMm } from './lag-screw.js';

const pounds = 4.4482216;

// NDS, Table 12.2A (lag screw reference withdrawal design values), recalled from memory.
describe('lag screws in withdrawal', () => {
  it.each([
    [0.5, 0.375, 305],
    [0.42, 0.375, 235],
    [0.55, 0.375, 352],
    [0.43, 0.375, 243],
    [0.5, 0.25, 225],
    [0.5, 0.3125, 266],
    [0.5, 0.5, 378],
    [0.42, 0.3125, 205],
  ])('G %f, %f in: %i lb/in', (gravity, inches, value) => {
    expect(Math.abs((lagWithdrawalNPerMm(gravity, inches * 25.4) * 25.4) / pounds - value)).toBeLessThan(1);
  });
});

// NDS, Table 12K (lag screws, steel side plates), recalled from memory: ⅜ in, 10 gauge, G 0.50 parallel to grain about 210 lb.
describe('lag screws in shear', () => {
  it('⅜ in through 10 gauge steel into G 0.50: some 210 lb', () => {
    const value = lagShearN(0.5, 9.525, 76.2, { thicknessMm: 3.42, of: 'steel' }) / pounds;
    expect(Math.abs(value - 210)).toBeLessThan(21);
  });
  it('bears no less for denser wood, more thread or a thicker plate', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.35, max: 0.6, noNaN: true }),
        fc.double({ min: 25, max: 90, noNaN: true }),
        fc.double({ min: 1.5, max: 6, noNaN: true }),
        (gravity, intoMm, thicknessMm) => {
          const side = { thicknessMm, of: 'steel' } as const;
          const base = lagShearN(gravity, 9.525, intoMm, side);
          expect(lagShearN(gravity + 0.05, 9.525, intoMm, side)).toBeGreaterThanOrEqual(base - 1e-6);
          expect(lagShearN(gravity, 9.525, intoMm + 10, side)).toBeGreaterThanOrEqual(base - 1e-6);
          expect(
            lagShearN(gravity, 9.525, intoMm, { ...side, thicknessMm: thicknessMm + 1 }),
          ).toBeGreaterThanOrEqual(base - 1e-6);
        },
      ),
    );
  });
});
