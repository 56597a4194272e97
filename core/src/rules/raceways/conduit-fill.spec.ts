import { describe, expect, it } from 'vitest';
import { conduitFor, fillShare, mostEqual, thhnAreas, emtAreas, tradeSizes } from './conduit-fill.js';

describe('conduit fill', () => {
  // NEC 2023, annex C, table C.1, THHN in EMT (recalled).
  it.each([
    ['12 AWG', '¾', 16],
    ['10 AWG', '¾', 10],
    ['8 AWG', '¾', 6],
    ['6 AWG', '¾', 4],
    ['14 AWG', '½', 12],
    ['12 AWG', '½', 9],
    ['10 AWG', '½', 5],
    ['8 AWG', '½', 3],
    ['6 AWG', '1', 7],
    ['4 AWG', '1', 4],
    ['2 AWG', '1¼', 5],
    ['4/0 AWG', '2', 4],
  ] as const)('%s in %s EMT: %i', (conductor, conduit, count) => {
    expect(mostEqual(conductor, conduit)).toBe(count);
  });

  it('53, 31 and 40 % for one, two, more; 60 % for a nipple', () => {
    expect([1, 2, 3, 9].map((count) => fillShare(count))).toEqual([0.53, 0.31, 0.4, 0.4]);
    expect(fillShare(9, true)).toBe(0.6);
  });

  it('the smallest size that holds, worked by hand', () => {
    // Three 6 AWG and a 10 AWG: 3 · 0.0507 + 0.0211 = 0.1732 in²; ½ in: 57 %, ¾ in: 32.5 %.
    const tried = conduitFor(['6 AWG', '6 AWG', '6 AWG', '10 AWG']);
    expect(tried.map(({ size, holds }) => `${size} ${holds}`)).toEqual(['½ false', '¾ true']);
    expect(tried[1]!.filledShare).toBeCloseTo(0.325, 3);
    expect(conduitFor(Array.from({ length: 4 }, () => '4/0 AWG' as const)).at(-1)!.size).toBe('2');
  });

  it('tables rise from size to size', () => {
    const areas = Object.values(thhnAreas.values);
    expect(areas).toEqual(areas.toSorted((a, b) => a - b));
    const tubes = tradeSizes.map((size) => emtAreas.values[size]);
    expect(tubes).toEqual(tubes.toSorted((a, b) => a - b));
  });
});
