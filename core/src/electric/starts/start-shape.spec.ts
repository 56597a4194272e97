import { expect, it } from 'vitest';
import { codeLetterKVAPerHp, codeLetters } from './code-letters.js';
import { startPowerFactor, startShape, startShapeBefore } from './start-shape.js';

it('a start stays at its highest for 70 % of its time, then falls straight to 30 %', () => {
  expect([0, 0.5, 0.7, 0.85].map((share) => startShape(2 * share, 2))).toEqual([
    1,
    1,
    1,
    expect.closeTo(0.65, 9),
  ]);
  expect(startShape(2 * 0.71, 2)).toBeLessThan(1);
  expect(startShapeBefore(2, 2)).toBeCloseTo(0.3, 12);
  expect(startShape(2, 2)).toBe(0);
});

it('a locked rotor has a power factor of 0.4, and a running one its own', () => {
  expect(startPowerFactor(0, 1, 0.8)).toBeCloseTo(0.4, 12);
  expect(startPowerFactor(0.85, 1, 0.8)).toBeCloseTo(0.8 - 0.4 * 0.65, 12);
  expect(startPowerFactor(1, 1, 0.8)).toBe(0.8);
  expect(startPowerFactor(0, 1, 0.35)).toBe(0.35);
});

it('letters follow each other without a gap, up to 22.4 kVA a horsepower (NEC Table 430.7(B), recalled)', () => {
  const ends = codeLetters.map((letter) => codeLetterKVAPerHp[letter]);
  expect(ends).toEqual([
    3.15, 3.55, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11.2, 12.5, 14, 16, 18, 20, 22.4, 22.4,
  ]);
});
