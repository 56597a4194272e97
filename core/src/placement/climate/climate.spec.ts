import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan } from '../../design/index.js';
import { hoursOfYear, syntheticYear, typicalClimates } from '../../nature/index.js';
import { aThing, aWall, placedPlan } from '../testing/placed.js';
import { cabinetTemperaturesC } from './cabinet-temperatures.js';
import { heated, thingClimate } from './placed-climate.js';
import { placeAirC } from './place-air.js';
import { powerLeftAt } from './power-left.js';

const box = { widthM: 0.6, heightM: 1, depthM: 0.2, massKg: 100 };
const all = (value: number): Float64Array => new Float64Array(hoursOfYear).fill(value);

describe('a cabinet', () => {
  it('in steady sun comes to what taking up and giving off say', () => {
    // Front 0.6 m², gives off over 0.6 + 2 · 0.2 · 1.6 = 1.24 m² at 10 W/m²°C: 0.6 · 500 W/m² · 0.6 m² / 12.4 W/°C.
    const cabinet = cabinetTemperaturesC(box, all(20), all(500), 0.6);
    expect(cabinet.at(-1)).toBeCloseTo(20 + (0.6 * 500 * 0.6) / 12.4, 6);
  });

  it('follows a step with the delay of its mass: 63 % of it after C / UA', () => {
    const air = all(0);
    air.fill(10, 1000);
    // 100 kg · 1000 J/kg°C / 12.4 W/°C = 2.24 h.
    const cabinet = cabinetTemperaturesC(box, air, null, 0.6);
    const delayH = (100 * 1000) / 3600 / 12.4;
    for (const hours of [1, 2, 5])
      expect(cabinet[1000 + hours - 1]).toBeCloseTo(10 * (1 - Math.exp(-hours / delayH)), 9);
  });

  it('is never colder than the coldest air, nor warmer for less sun', () => {
    const year = syntheticYear(typicalClimates[0]!, 3);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 5, max: 400, noNaN: true }),
        (absorptance, massKg) => {
          const dark = cabinetTemperaturesC({ ...box, massKg }, year.temperatureC, null, absorptance);
          const lit = cabinetTemperaturesC(
            { ...box, massKg },
            year.temperatureC,
            year.globalWPerM2,
            absorptance,
          );
          expect(Math.min(...dark)).toBeGreaterThanOrEqual(Math.min(...year.temperatureC) - 1e-9);
          expect(lit.every((c, hour) => c >= dark[hour]! - 1e-9)).toBe(true);
        },
      ),
      { numRuns: 10 },
    );
  });
});

describe('the air of a place', () => {
  const year = syntheticYear(typicalClimates[1]!, 1);
  it('is the weather outdoors, half way to the house in an attached garage, the house in a closet', () => {
    expect(placeAirC(aWall({ place: 'outdoors' }), year)).toBe(year.temperatureC);
    const closet = placeAirC(aWall({ place: 'utility-closet' }), year);
    expect(Math.min(...closet)).toBe(20);
    const garage = placeAirC(aWall({ place: 'attached-garage' }), year);
    const day = 10;
    const mean = (hours: Float64Array): number =>
      hours.slice(day * 24, day * 24 + 24).reduce((sum, c) => sum + c, 0) / 24;
    expect(mean(garage)).toBeCloseTo((mean(year.temperatureC) + 20) / 2, 6);
  });
  it('reaches the lowest and highest that was read off', () => {
    const garage = placeAirC(aWall({ place: 'attached-garage', lowestC: -4, highestC: 33 }), year);
    expect(Math.min(...garage)).toBeCloseTo(-4, 9);
    expect(Math.max(...garage)).toBeCloseTo(33, 9);
  });
});

describe('what a data sheet says of heat', () => {
  const body = { coldestC: -20, hottestC: 50, derateAboveC: 40, deratePerC: 0.03 };
  it('derates in a straight line, and ends where it ends', () => {
    expect([-21, -20, 40, 45, 50, 50.1].map((c) => powerLeftAt(body, c))).toEqual([0, 1, 1, 0.85, 0.7, 0]);
    expect(powerLeftAt({ coldestC: null, hottestC: null, derateAboveC: null, deratePerC: null }, 70)).toBe(1);
  });
  it('a heater keeps cells at 5 °C for as far as it goes, and draws in proportion', () => {
    const cabinet = all(10);
    cabinet.set([5, -5, -15, -25]);
    const { cellC, heaterW } = heated(cabinet, 200);
    expect([...cellC.slice(0, 5)]).toEqual([5, 5, 5, -5, 10]);
    expect([...heaterW!.slice(0, 5)]).toEqual([0, 100, 200, 200, 0]);
    expect(heated(cabinet, null).cellC).toBe(cabinet);
  });
});

// Common practice, no source: away from the equator, then east, then west.
describe('the walls of a house at 33° N in July', () => {
  const climate = {
    ...typicalClimates.find(({ id }) => id === 'mixed')!,
    latitudeDeg: 33,
    longitudeDeg: -97,
  };
  it.each([1, 2, 3, 4, 5])(
    'seed %i: the cabinet has its mildest hottest hour away from the equator, the worst in the west',
    (seed) => {
      const year = syntheticYear(climate, seed);
      const hottest = (facingDeg: number): number => {
        const wall = aWall({ facingDeg });
        const plan = placedPlan(emptyPlan(), [wall], []);
        const { cabinetC } = thingClimate(
          plan,
          { thing: aThing(), wall, leftM: 1, bottomM: 0.5, widthM: 0.6, heightM: 1 },
          year,
        );
        // July begins with day 181.
        return Math.max(...cabinetC.slice(181 * 24, 212 * 24));
      };
      const [north, east, south, west] = [hottest(0), hottest(90), hottest(180), hottest(270)] as const;
      expect(north).toBeLessThan(Math.min(east, south, west));
      expect(west).toBeGreaterThan(Math.max(east, south));
      expect(east).toBeLessThan(west);
    },
  );
});
