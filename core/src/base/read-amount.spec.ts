import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountSchema } from './amount.schema.js';
import type { FieldUnit } from './field.js';
import { amountText, readAmount } from './read-amount.js';

const read = (
  text: string,
  unit: FieldUnit,
  min: number,
  max: number,
  system: 'metric' | 'imperial' = 'metric',
) => {
  const result = readAmount(text, unit, system, amountSchema(min, max));
  return result.ok ? result.value : result.message;
};

describe('amounts in fields', () => {
  it.each([
    ['6.5', 'kWh', 6500],
    ['6500 Wh', 'kWh', 6500],
    ['2 d', 'h', 48],
    ['80', 'share', 0.8],
    ['1.5 s', 'ms', 1500],
    ['1 kW', 'W', 1000],
  ] as const)('%s in %s is kept as %f', (text, unit, kept) => {
    expect(read(text, unit, 0, 1e6)).toBe(kept);
  });

  it('take temperatures in the other scale too', () => {
    expect(read('50 °F', '°C', -30, 60)).toBeCloseTo(10, 9);
    expect(read('14f', '°C', -30, 60)).toBeCloseTo(-10, 9);
    expect(read('10 °C', '°C', -30, 60)).toBe(10);
    expect(read('10 °C', '°C', -30, 60, 'imperial')).toBe(10);
    expect(read('50', '°C', -30, 60, 'imperial')).toBeCloseTo(10, 9);
    expect(read('50 F', 'A', 0, 100)).toMatch(/not known|without/);
  });

  it('speak of limits in the unit the field shows', () => {
    expect(read('600', 'kWh', 0, 500_000)).toBe('Enter at most 500 kWh');
    expect(read('0', 'share', 0.1, 1)).toBe('Enter at least 10 %');
    expect(read('200', '°C', -30, 60, 'imperial')).toBe('Enter at most 140 °F');
    expect(read('99999', 'm²', 5, 5000, 'imperial')).toBe('Enter at most 53820 ft²');
  });

  it('round-trip in both systems to what the field shows', () => {
    const units = fc.constantFrom<FieldUnit>('W', 'kWh', 'h', 'share', '°C', 'ms', 'A', 'm²', 's');
    fc.assert(
      fc.property(
        units,
        fc.constantFrom('metric', 'imperial'),
        fc.double({ min: 1, max: 4000, noNaN: true }),
        (unit, system, kept) => {
          const shown = amountText(kept, unit, system);
          const back = readAmount(shown, unit, system, amountSchema(-1e9, 1e9));
          expect(back.ok && amountText(back.value, unit, system)).toBe(shown);
        },
      ),
    );
  });
});
