import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simulatedChannels, simulatedMean, simulatedSample } from './simulated-house.js';

/** A moment of 2026, in UTC. */
const moment = fc.integer({ min: 1_767_225_600, max: 1_798_761_599 });
const offsetS = -4 * 3600;
const channel = (name: string): number => simulatedChannels.indexOf(name);

describe('the simulated house', () => {
  it('has two mains and thirty circuits, each with a name of its own', () => {
    expect(simulatedChannels).toHaveLength(32);
    expect(new Set(simulatedChannels).size).toBe(32);
  });

  it('is the same for the same seed and moment, and another one for another seed', () => {
    fc.assert(
      fc.property(moment, fc.nat(1000), (atS, seed) => {
        const [first, again] = [simulatedSample(seed, atS, offsetS), simulatedSample(seed, atS, offsetS)];
        expect(again).toEqual(first);
      }),
    );
    const houses = [1, 2].map((seed) => simulatedMean(seed, 1_767_225_600, 86_400, offsetS, 600));
    expect(houses[0]).not.toEqual(houses[1]);
  });

  it('draws through its mains what its circuits draw, and a little that no sensor sees', () => {
    fc.assert(
      fc.property(moment, fc.nat(50), (atS, seed) => {
        const { powerW } = simulatedSample(seed, atS, offsetS);
        const mains = powerW[0]! + powerW[1]!;
        // A sensor that sits the wrong way round shows less than nothing.
        const circuits = powerW.slice(2).reduce((sum, w) => sum + Math.abs(w), 0);
        expect(mains).toBeGreaterThanOrEqual(circuits);
        expect(mains - circuits).toBeLessThan(300);
      }),
    );
  });

  it('never shows a peak below what runs', () => {
    fc.assert(
      fc.property(moment, fc.nat(50), (atS, seed) => {
        const { powerW, peakW } = simulatedSample(seed, atS, offsetS);
        powerW.forEach((w, c) => expect(Math.abs(peakW[c]!)).toBeGreaterThanOrEqual(Math.abs(w)));
      }),
    );
  });

  it('has a sensor the wrong way round, which its mean shows', () => {
    const day = simulatedMean(1, 1_767_225_600, 86_400 * 3, offsetS, 300);
    const turned = simulatedChannels.filter((_, c) => day[c]! < -1);
    expect(turned).toEqual(['Laundry']);
  });

  it('shows a start when somebody switches a pump on, and what it draws afterwards', () => {
    const atS = 1_767_240_000;
    const switches = new Map([['Well pump', atS]]);
    const before = simulatedSample(1, atS - 1, offsetS, switches);
    const at = simulatedSample(1, atS, offsetS, switches);
    const later = simulatedSample(1, atS + 20, offsetS, switches);
    const pump = channel('Well pump');
    expect(at.powerW[pump]! - before.powerW[pump]!).toBeGreaterThan(500);
    expect(at.peakW[pump]!).toBeGreaterThan(2 * at.powerW[pump]!);
    expect(later.powerW[pump]!).toBeGreaterThan(500);
    expect(later.peakW[pump]! / later.powerW[pump]!).toBeLessThan(1.01);
  });

  it('has a mean between what it shows least and most', () => {
    const fromS = 1_767_300_000;
    const mean = simulatedMean(3, fromS, 900, offsetS, 60);
    const seen = Array.from({ length: 900 }, (_, s) => simulatedSample(3, fromS + s, offsetS).powerW);
    mean.forEach((w, c) => {
      expect(w).toBeGreaterThanOrEqual(Math.min(...seen.map((powerW) => powerW[c]!)) - 1e-9);
      expect(w).toBeLessThanOrEqual(Math.max(...seen.map((powerW) => powerW[c]!)) + 1e-9);
    });
  });
});
