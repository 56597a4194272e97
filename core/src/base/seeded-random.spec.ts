import { describe, expect, it } from 'vitest';
import { decimalText } from './money.schema.js';
import { seededRandom } from './seeded-random.js';

describe('seeded numbers', () => {
  it('are those of the generator known as mulberry32 for seed 1 (recalled)', () => {
    const random = seededRandom(1);
    expect([random(), random(), random()]).toEqual([
      0.6270739405881613, 0.002735721180215478, 0.5274470399599522,
    ]);
  });
});

describe('amounts of money as text', () => {
  it.each([
    [1234.5, '1234.5'],
    [0.32456, '0.3246'],
    [1 / 3, '0.3333'],
  ])('%f is %s', (value, text) => {
    expect(decimalText(value)).toBe(text);
  });
});
