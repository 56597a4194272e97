import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyNetwork } from '../testing/any-network.js';
import { bruteStandings, walkedHazards } from '../testing/brute-standings.js';
import { allows } from './every-standing.js';
import { dangerousStandings, hazardKey } from './dangerous-standings.js';

describe('every way the switches can stand', () => {
  it('comes to what trying all comes to, by a second implementation, on networks nobody would build', () => {
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const { found } = dangerousStandings(network);
        expect(new Set(found.map(hazardKey))).toEqual(bruteStandings(network));
      }),
      { numRuns: 3000 },
    );
  });

  it('tells a standing that the interlocks allow and in which it happens, no handle of it moved for nothing', () => {
    fc.assert(
      fc.property(anyNetwork, (network) => {
        for (const example of dangerousStandings(network).found) {
          expect(allows(network.interlocks, example.standing)).toBe(true);
          const happens = (standing: Readonly<Record<string, string>>): boolean =>
            walkedHazards(network, standing, example.situation).some(
              (one) => hazardKey(one) === hazardKey(example),
            );
          expect(happens(example.standing)).toBe(true);
          for (const id of example.moved) {
            const back = {
              ...example.standing,
              [id]: network.handles.find((handle) => handle.id === id)!.positions[0],
            };
            expect(happens(back) && allows(network.interlocks, back)).toBe(false);
          }
        }
      }),
      { numRuns: 500 },
    );
  });
});
