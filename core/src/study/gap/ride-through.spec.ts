import { describe, expect, it } from 'vitest';
import { aLoad } from '../../house/testing/loads.js';
import { iticRideThroughS } from '../../electric/index.js';
import { gapEffects } from './ride-through.js';

describe('the ITIC curve', () => {
  // ITIC (CBEMA) curve, lower limit, application note of 2000; recalled from memory.
  it.each([
    [0, 0.02],
    [0.5, 0.02],
    [0.7, 0.5],
    [0.8, 10],
    [0.9, Infinity],
    [1, Infinity],
  ])('with %f of the voltage left holds %f s', (left, holdsS) => {
    expect(iticRideThroughS(left)).toBe(holdsS);
  });
});

describe('what notices a transfer gap', () => {
  const loads = [
    aLoad({ id: 'pc', kind: 'electronics' }),
    aLoad({ id: 'ac', kind: 'cooling' }),
    aLoad({ id: 'lamp', kind: 'lighting' }),
  ];
  // Common practice, no source: in-line inverters up to about 20 ms, an AC-coupled battery behind a contactor 100 ms and more.
  it('is nothing at 10 ms, contactors at 18 ms, computers too at 100 ms', () => {
    const names = (gapMs: number) => gapEffects(loads, gapMs).map(({ loadId }) => loadId);
    expect(names(10)).toEqual([]);
    expect(names(18)).toEqual(['ac']);
    expect(names(100)).toEqual(['ac', 'pc']);
  });
});
