import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { networkOf } from '../graph/network-of.js';
import { anyNetwork, places } from '../testing/any-network.js';
import { bruteIsolation } from '../testing/brute-isolation.js';
import { wired } from '../testing/wired.js';
import { isolationOf } from './isolation.js';

describe('the fewest handles that make a place dead', () => {
  it('are those that trying every set of handles finds, on networks nobody would build', () => {
    fc.assert(
      fc.property(anyNetwork, fc.constantFrom(...places), (network, place) => {
        expect(isolationOf(network, place)).toEqual(bruteIsolation(network, place));
      }),
      { numRuns: 600 },
    );
  });

  it('are the same in the demo houses', () => {
    for (const { plan } of demoPlans) {
      const network = networkOf(wired(plan).graph);
      for (const { id } of network.nodes)
        expect(isolationOf(network, id)).toEqual(bruteIsolation(network, id));
    }
  });
});
