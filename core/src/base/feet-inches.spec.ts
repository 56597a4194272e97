import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { feetInchesText, readFeetInches } from './feet-inches.js';
import { amountText, readAmount } from './read-amount.js';

describe('feet and inches', () => {
  it.each([
    [`7' 4 1/2"`, 7 * 12 + 4.5],
    [`7'4½"`, 88.5],
    [`7’ 4 ½”`, 88.5],
    [`7 ft 4 in`, 88],
    [`7' 4"`, 88],
    [`7'`, 84],
    [`7.5'`, 90],
    [`4 1/2"`, 4.5],
    [`4½"`, 4.5],
    [`1/2"`, 0.5],
    [`16"`, 16],
    [`16 in`, 16],
    [`7'-4 1/2"`, 88.5],
    [`-2"`, -2],
    [`6 feet 6 inches`, 78],
  ])('%s', (text, inches) => {
    expect(readFeetInches(text)).toBeCloseTo(inches * 0.0254, 9);
  });
  it.each(['7', '7 m', '', 'inside', `'`, `7' 4' 2"`, '7/0"', '12 kg'])('%s is none', (text) => {
    expect(readFeetInches(text)).toBeNull();
  });
  it('read back what was written, to an eighth', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (eighths) => {
        const metres = (eighths / 8) * 0.0254;
        expect(readFeetInches(feetInchesText(metres))).toBeCloseTo(metres, 9);
      }),
    );
  });
});

describe('a field of spans', () => {
  const schema = z.number().min(0).max(60);
  it('shows feet and inches, or metres to the millimetre', () => {
    expect(amountText(2.2479, 'span', 'imperial')).toBe(`7' 4 1/2"`);
    expect(amountText(2.2479, 'span', 'metric')).toBe('2.248');
  });
  it('takes feet and inches, feet, metres and centimetres under either', () => {
    const read = (text: string, system: 'metric' | 'imperial'): unknown => {
      const result = readAmount(text, 'span', system, schema);
      return result.ok ? result.value : result.message;
    };
    expect(read(`7' 4 1/2"`, 'metric')).toBeCloseTo(2.2479, 6);
    expect(read(`7' 4 1/2"`, 'imperial')).toBeCloseTo(2.2479, 6);
    expect(read('7.5', 'imperial')).toBeCloseTo(2.286, 6);
    expect(read('2.4', 'metric')).toBe(2.4);
    expect(read('240 cm', 'imperial')).toBeCloseTo(2.4, 9);
    expect(read(`300'`, 'imperial')).toBe(`Enter at most 196' 10 1/4"`);
    expect(read('wide', 'metric')).toContain('not a number');
  });
});
