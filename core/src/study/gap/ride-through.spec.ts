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

  // A full dropout each kind does not notice, ms (common practice, no source; electronics: ITIC curve, recalled).
  it.each([
    ['electronics', 20],
    ['network', 20],
    ['medical', 20],
    ['heating-appliance', 100],
    ['heat-pump', 15],
    ['cooling', 15],
    ['pump', 50],
    ['pool', 15],
    ['range', 50],
    ['small-appliance', 50],
    ['vehicle', 15],
  ] as const)('%s bears %d ms, and no more', (kind, heldMs) => {
    const one = [aLoad({ id: 'one', kind })];
    expect(gapEffects(one, heldMs)).toEqual([]);
    expect(gapEffects(one, heldMs + 0.1).map(({ rideThroughMs }) => rideThroughMs)).toEqual([heldMs]);
  });
});
