import { expect, it } from 'vitest';
import { readPower } from './read-power.js';

const load = { legs: 'L1-L2' as const, voltageV: null, powerFactor: 1 };
const watts = (text: string, changes = {}) => {
  const read = readPower(text, { ...load, ...changes }, 'split-120-240');
  return read.ok ? Math.round(read.powerW) : read.message;
};

// 240 V × 40 A; √3 × 208 V × 10 A; a horsepower of a small motor takes about a kilowatt, a ton of cooling 1.2 kW (common practice, no source).
it.each([
  ['800', 800],
  ['1.2 kW', 1200],
  ['1,250', 1250],
  ['40 A', 9600],
  ['40A', 9600],
  ['1 hp', 995],
  ['1½ hp', 1492],
  ['1 1/2 hp', 1492],
  ['1/3 hp', 332],
  ['12,000 BTU', 1200],
  ['3 tons', 3600],
])('“%s” of 240 V is %d W', (text, powerW) => {
  expect(watts(text)).toBe(powerW);
});

it('counts amperes at the voltage of the legs, with the power factor', () => {
  expect(watts('10 A', { legs: 'L1' })).toBe(1200);
  expect(watts('10 A', { powerFactor: 0.8 })).toBe(1920);
  expect(watts('10 A', { voltageV: 208 })).toBe(2080);
  expect(readPower('10 A', { ...load, legs: 'L1-L2-L3' }, 'three-230-400')).toMatchObject({
    powerW: expect.closeTo(Math.sqrt(3) * 400 * 10, 6),
  });
});

it('says what it has assumed, and refuses what it does not know', () => {
  expect(readPower('40 A', load, 'split-120-240')).toMatchObject({
    how: expect.stringMatching(/240.V, power factor 1/),
  });
  expect(readPower('800 W', load, 'split-120-240')).toMatchObject({ how: '' });
  expect(watts('3 horses')).toMatch(/not known here/);
});
