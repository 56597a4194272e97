import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { comparedTexts, formatQuantity, quantityText } from './format-quantity.js';
import { interpolate } from './interpolate.js';
import { parseQuantity } from './parse-quantity.js';

const read = (text: string, units = {}) => {
  const parsed = parseQuantity(text, units);
  return parsed.ok ? parsed.value : parsed.message;
};

describe('reading what people type', () => {
  it.each([
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['1,200', 1200],
    ['1,200.5', 1200.5],
    ['12,345,678', 12_345_678],
    ['0,125', 0.125],
    ['1 200', 1200],
    [' 42 ', 42],
    ['-3', -3],
    ['.5', 0.5],
    ['1e3', 1000],
    ['1,20', 1.2],
    ['1.250', 1.25],
    ['1.250,5', 1250.5],
    ['1.250.000', 1_250_000],
    ["1'250", 1250],
    ['½', 0.5],
    ['⅓', 1 / 3],
    ['⅔', 2 / 3],
    ['¼', 0.25],
    ['¾', 0.75],
    ['⅛', 0.125],
    ['⅜', 0.375],
    ['⅝', 0.625],
    ['⅞', 0.875],
    ['1½', 1.5],
    ['1 1/2', 1.5],
    ['3/4', 0.75],
  ])('%s is %f', (text, value) => {
    expect(read(text)).toBe(value);
  });
  it('takes units it is given', () => {
    expect(read('1.2 kW', { w: 1, kw: 1000 })).toBe(1200);
    expect(read('800W', { w: 1, kw: 1000 })).toBe(800);
  });
  it.each(['', 'abc', '1.2.3', '--1', 'NaN', 'Infinity', '1/0', '1/'])(
    'refuses “%s” and says why',
    (text) => {
      expect(read(text)).toMatch(/not a number|not known|without/);
    },
  );
  it('names the units it knows', () => {
    expect(read('3 miles', { w: 1, kw: 1000 })).toBe('Unit “miles” is not known here. Use w, kw');
    expect(read('3 miles')).toBe('Type the number without “miles”');
    expect(read('1e999')).toBe('This number is too large');
  });
  it('reads back every number it could be given', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (value) => {
        expect(read(String(value))).toBeCloseTo(value, 9);
      }),
    );
  });
  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof parseQuantity(text).ok === 'boolean'));
  });
});

describe('showing quantities', () => {
  it.each([
    [12_400, 'W', '12.4 kW'],
    [999, 'W', '999 W'],
    [1234, 'Wh', '1.23 kWh'],
    [123_456, 'Wh', '123 kWh'],
    [20, 'ms', '20 ms'],
    [1500, 'ms', '1.5 s'],
    [0.93, 'share', '93 %'],
    [0.0125, 'share', '1.3 %'],
    [26.04, 'h', '26 h'],
    [61, 'A', '61 A'],
  ] as const)('%f %s reads %s', (value, unit, text) => {
    expect(quantityText(value, unit).replace('\u202f', ' ')).toBe(text);
  });
  it('converts for imperial readers only where the trade does', () => {
    expect(quantityText(20, '°C', 'imperial')).toBe('68\u202f°F');
    expect(formatQuantity(185.80608, 'm²', 'imperial')).toEqual({ text: '2,000', unit: 'ft²' });
    expect(quantityText(1500, 'W', 'imperial')).toBe('1.5\u202fkW');
  });
  it('has a sign for what never ends', () => {
    expect(quantityText(Infinity, 'h')).toBe('∞\u202fh');
    expect(formatQuantity(NaN, 'W').text).toBe('–');
  });
  it('round-trips through what people type to the digits shown', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1e6, noNaN: true }), (watts) => {
        const back = read(quantityText(watts, 'W'), { w: 1, kw: 1000 });
        expect(Math.abs(Number(back) / watts - 1)).toBeLessThan(0.05);
      }),
    );
  });
});

describe('interpolation', () => {
  const points = [
    [0, 0],
    [10, 5],
    [20, 6],
  ] as const;
  it('is linear between points and constant beyond', () => {
    expect([-5, 0, 5, 10, 15, 99].map((x) => interpolate(points, x))).toEqual([0, 0, 2.5, 5, 5.5, 6]);
  });
});

describe('two quantities to be compared', () => {
  it.each([
    [23.97, 24, 'h', ['23.97 h', '24 h']],
    [24, 24, 'h', ['24 h', '24 h']],
    [23.4, 24, 'h', ['23.4 h', '24 h']],
    [9402, 9400, 'VA', ['9.402 kVA', '9.4 kVA']],
  ] as const)('%f and %f %s are told apart', (a, b, unit, expected) => {
    expect(comparedTexts(a, b, unit).map((text) => text.replace('\u202f', ' '))).toEqual(expected);
  });
});
