import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runningPowerVA } from './running-power.js';
import { lighterLeg } from './lighter-leg.js';
import { arbitraryLoad, arbitrarySystem, aLoad } from '../testing/loads.js';
import {
  apparentPowerVA,
  legSets,
  legShare,
  legsOf,
  remapLegs,
  supplyVoltageV,
  systemFacts,
} from '../../electric/index.js';

describe('share of a load on a leg', () => {
  it('is one half between the legs of split phase', () => {
    expect(legShare('split-120-240', 'L1-L2', 'L1')).toBe(0.5);
  });
  it('is 0.577 between two legs of a star system: 1/√3', () => {
    expect(legShare('two-legs-120-208', 'L1-L2', 'L2')).toBeCloseTo(1 / Math.sqrt(3), 3);
    expect(legShare('three-230-400', 'L1-L3', 'L3')).toBeCloseTo(1 / Math.sqrt(3), 2);
  });
  it('is one third on three phases, all on one leg, none elsewhere', () => {
    expect(legShare('three-230-400', 'L1-L2-L3', 'L2')).toBeCloseTo(1 / 3, 12);
    expect(legShare('three-230-400', 'L2', 'L2')).toBe(1);
    expect(legShare('three-230-400', 'L2', 'L3')).toBe(0);
  });
});

describe('splitting a load between legs', () => {
  const worst = (shares: readonly number[]): number => Math.max(...shares);
  it('never raises what it puts on its worse leg', () => {
    fc.assert(
      fc.property(arbitrarySystem, (system) => {
        const { legs, legSets: sets } = systemFacts[system];
        for (const set of sets.filter((one) => legsOf(one).length > 1)) {
          expect(worst(legs.map((leg) => legShare(system, set, leg)))).toBeLessThanOrEqual(1);
        }
      }),
    );
  });
  it('never raises the worse leg of a house when it sits on the busier one and is no larger than the difference', () => {
    const va = fc.double({ min: 0, max: 5000, noNaN: true });
    fc.assert(
      fc.property(va, va, fc.double({ min: 0, max: 1, noNaN: true }), (quiet, extra, part) => {
        // The busier leg carries `extra` more than the quiet one; the load is a part of that extra.
        const load = extra * part;
        const before = worst([quiet + extra, quiet]);
        const after = worst([quiet + extra - load / 2, quiet + load / 2]);
        expect(after).toBeLessThanOrEqual(before + 1e-9);
      }),
    );
  });
});

describe('voltages and currents', () => {
  it('are line to neutral on one leg and line to line on more', () => {
    expect(supplyVoltageV('split-120-240', 'L2')).toBe(120);
    expect(supplyVoltageV('split-120-240', 'L1-L2')).toBe(240);
    expect(supplyVoltageV('two-legs-120-208', 'L1-L2')).toBe(208);
    expect(supplyVoltageV('three-230-400', 'L1-L2-L3')).toBe(400);
  });
  // Common practice, no source: 32 A of inverter at 240 V are 7.68 kW.
  it('32 A at 240 V are 7.68 kVA', () => {
    expect(apparentPowerVA(240, 32, 'L1-L2')).toBe(7680);
  });
  it('16 A on three phases of 400 V are 11.1 kVA', () => {
    expect(apparentPowerVA(400, 16, 'L1-L2-L3')).toBeCloseTo(11_085, 0);
  });
});

describe('moving to another supply', () => {
  it('always finds legs that exist', () => {
    fc.assert(
      fc.property(arbitrarySystem, fc.constantFrom(...legSets), (system, legs) => {
        expect(systemFacts[system].legSets).toContain(remapLegs(system, legs));
      }),
    );
  });
  it('keeps legs that exist', () => {
    expect(remapLegs('three-230-400', 'L1-L2')).toBe('L1-L2');
    expect(remapLegs('split-120-240', 'L1-L2-L3')).toBe('L1-L2');
    expect(remapLegs('single-230', 'L3')).toBe('L1');
  });
});

describe('the lighter leg', () => {
  it('is where the next load goes', () => {
    expect(lighterLeg('split-120-240', [])).toBe('L1');
    expect(lighterLeg('split-120-240', [aLoad({ legs: 'L1' })])).toBe('L2');
  });
  it('never carries more than the mean', () => {
    fc.assert(
      fc.property(fc.array(arbitraryLoad('three-230-400'), { maxLength: 8 }), (loads) => {
        const on = (leg: 'L1' | 'L2' | 'L3') =>
          loads.reduce(
            (sum, load) =>
              sum + load.quantity * runningPowerVA(load) * legShare('three-230-400', load.legs, leg),
            0,
          );
        const mean = (on('L1') + on('L2') + on('L3')) / 3;
        expect(on(lighterLeg('three-230-400', loads))).toBeLessThanOrEqual(mean + 1e-6);
      }),
    );
  });
});
