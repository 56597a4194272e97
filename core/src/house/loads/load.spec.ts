import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  aLoad,
  allSeasons,
  arbitraryHours,
  arbitraryLoad,
  arbitraryStart,
  aroundTheClock,
} from '../testing/loads.js';
import { apparentPowerVA, type SupplySystem, supplySystems, supplyVoltageV } from '../../electric/index.js';
import { blankLoad } from './blank-load.js';
import { dailyEnergyWh } from './daily-energy.js';
import { hourlyByTierWh } from './hourly-by-tier.js';
import { hourlyEnergyWh } from './hourly-energy.js';
import { hoursPerDayH } from './hours-per-day.js';
import { libraryFor, loadLibrary } from './library/load-library.js';
import { starterSets } from './library/starter-sets.js';
import { loadFromLibrary } from './library/load-from-library.js';
import { loadSchema } from './load.schema.js';
import { type Season, seasons } from '../../nature/index.js';
import { spreadHours } from './spread-hours.js';
import { parseStart, startText } from './start-text.js';

describe('energy of a load', () => {
  it('is quantity × power × hours × duty', () => {
    const load = aLoad({ quantity: 3, runningPowerW: 100, dutyCycle: 0.5, use: allSeasons(aroundTheClock) });
    expect(dailyEnergyWh(load, 'winter')).toBeCloseTo(3600, 9);
    expect([...hourlyEnergyWh(load, 'winter')]).toEqual(new Array(24).fill(150));
  });
  it('falls into its part of the day', () => {
    const load = aLoad({
      runningPowerW: 600,
      use: allSeasons({ nightH: 0, morningH: 2, dayH: 0, eveningH: 0 }),
    });
    const hourly = [...hourlyEnergyWh(load, 'summer')];
    expect(hourly.slice(6, 10)).toEqual([300, 300, 300, 300]);
    expect(hourly.filter((wh) => wh > 0)).toHaveLength(4);
  });
  it('is the same by the hour and by the day', () => {
    fc.assert(
      fc.property(arbitraryLoad('split-120-240'), fc.constantFrom(...seasons), (load, season) => {
        const byHour = hourlyEnergyWh(load, season).reduce((sum, wh) => sum + wh, 0);
        expect(byHour).toBeCloseTo(dailyEnergyWh(load, season), 6);
      }),
    );
  });
  it('adds up over the tiers', () => {
    fc.assert(
      fc.property(fc.array(arbitraryLoad('split-120-240'), { maxLength: 8 }), (loads) => {
        const tiers = Object.values(hourlyByTierWh(loads, 'winter'));
        const total = tiers.flatMap((tier) => [...tier]).reduce((sum, wh) => sum + wh, 0);
        const expected = loads.reduce((sum, load) => sum + dailyEnergyWh(load, 'winter'), 0);
        expect(total).toBeCloseTo(expected, 4);
      }),
    );
  });
});

describe('spreading hours', () => {
  it('reaches the total, keeps within the parts, and keeps the pattern where it fits', () => {
    fc.assert(
      fc.property(arbitraryHours, fc.double({ min: 0, max: 24, noNaN: true }), (use, total) => {
        const spread = spreadHours(use, total);
        expect(hoursPerDayH(spread)).toBeCloseTo(total, 6);
        expect(
          loadSchema.shape.use.shape.winter.safeParse({
            ...spread,
            nightH: Math.min(8, spread.nightH),
            morningH: Math.min(4, spread.morningH),
            dayH: Math.min(6, spread.dayH),
            eveningH: Math.min(6, spread.eveningH),
          }).success,
        ).toBe(true);
        expect(spread.nightH).toBeLessThanOrEqual(8 + 1e-9);
        expect(spread.morningH).toBeLessThanOrEqual(4 + 1e-9);
      }),
    );
    expect(spreadHours({ nightH: 0, morningH: 1, dayH: 0, eveningH: 3 }, 2)).toEqual({
      nightH: 0,
      morningH: 0.5,
      dayH: 0,
      eveningH: 1.5,
    });
  });
});

describe('how a load starts, as text', () => {
  it('reads back what it wrote', () => {
    fc.assert(
      fc.property(arbitraryStart, (start) => {
        const back = parseStart(startText(start), start);
        expect(back.ok && back.start.how).toBe(start.how);
      }),
    );
  });
  it.each([
    ['none', { how: 'none' }],
    ['x6', { how: 'multiple', multiple: 6 }],
    ['6×', { how: 'multiple', multiple: 6 }],
    ['61 A', { how: 'lockedRotor', lockedRotorA: 61 }],
    ['g 1,5 hp', { how: 'codeLetter', letter: 'G', horsepower: 1.5 }],
    ['FLC 1 hp x6', { how: 'fullLoad', horsepower: 1, multiple: 6 }],
    ['Soft 1.2', { how: 'soft', multiple: 1.2 }],
  ])('reads “%s”', (text, start) => {
    expect(parseStart(text, { how: 'none' })).toMatchObject({ ok: true, start });
  });
  it('keeps the duration and refuses the rest with what to write', () => {
    expect(parseStart('×3', { how: 'soft', multiple: 1, durationS: 4 })).toMatchObject({
      start: { durationS: 4 },
    });
    expect(parseStart('a lot', { how: 'none' })).toMatchObject({
      ok: false,
      message: expect.stringContaining('Write none') as string,
    });
    expect(parseStart('99 x', { how: 'none' })).toMatchObject({ ok: false, message: 'Enter at most 15' });
    expect(parseStart('i 2 hp', { how: 'none' }).ok).toBe(false);
  });
});

/**
 * Energy of typical appliances. "Recalled" ranges: consumption tables of national energy agencies as remembered, rounded
 * outward; "common practice" has no source.
 */
describe('the load library', () => {
  const perDay = (id: string, season: Season) =>
    dailyEnergyWh(
      loadLibrary.find((entry) => entry.id === id)!,
      season,
    ) / 1000;
  it.each([
    // Common practice, no source: an efficient refrigerator takes 1 to 2 kWh a day.
    ['fridge', 'summer', 1, 2],
    // Recalled: efficient chest freezers 215 to 400 kWh a year, upright ones to 700.
    ['freezer-chest', 'winter', 0.6, 1.2],
    ['freezer-upright', 'winter', 1, 2],
    // Recalled: refrigerators of the 1990s 700 to 1,200 kWh a year.
    ['fridge-older', 'winter', 1.9, 3.3],
    // Recalled: an electric tank heater for a family, 3,000 to 4,800 kWh a year; a heat-pump one 800 to 1,500.
    ['water-heater-tank', 'winter', 8, 13.2],
    ['water-heater-heat-pump', 'winter', 2, 4.2],
    // Recalled: a resistance dryer load 2.5 to 4 kWh; a heat-pump one 1 to 2.
    ['dryer-electric', 'winter', 2.5, 4],
    ['dryer-heat-pump', 'winter', 1, 2],
    // Recalled: a dishwasher cycle 0.8 to 1.4 kWh, a warm wash 0.5 to 1.
    ['dishwasher', 'winter', 0.8, 1.4],
    ['washer-heats', 'winter', 0.5, 1],
    // Common practice, no source.
    ['router', 'winter', 0.3, 0.7],
    ['furnace-blower', 'winter', 3, 8],
    ['boiler-oil', 'winter', 1.5, 4],
    ['boiler-gas', 'winter', 0.8, 2.5],
    // 300 US gal a day at 8 to 10 gal a minute: half an hour to 0.7 h of pumping.
    ['well-pump-small', 'summer', 0.5, 0.9],
    ['well-pump-large', 'winter', 0.8, 1.3],
    ['ac-central', 'summer', 10, 35],
    // Recalled: an insulated tub takes 1,800 to 2,800 kWh a year, more of it in winter.
    ['hot-tub', 'winter', 6, 10],
    ['hot-tub', 'summer', 2, 5],
    ['radon-fan', 'winter', 1, 2],
    ['base-load', 'winter', 0.7, 1.7],
    ['fridge-defrost', 'winter', 0.1, 0.3],
    ['car-40', 'winter', 6, 15],
    ['car-48', 'winter', 6, 15],
    ['car-fast', 'winter', 6, 15],
    ['ventilation', 'winter', 0.8, 2.5],
    ['range-electric', 'winter', 1.5, 4],
  ] as const)('%s takes a plausible %s day', (id, season, from, to) => {
    expect(perDay(id, season)).toBeGreaterThanOrEqual(from);
    expect(perDay(id, season)).toBeLessThanOrEqual(to);
  });

  // Common practice, no source: a room unit stays below 1 kW.
  it('has a room air conditioner below 1 kW', () => {
    expect(loadLibrary.find(({ id }) => id === 'ac-room')!.runningPowerW).toBeLessThan(1000);
  });

  it('has some sixty loads and more, each with its own id and name', () => {
    expect(loadLibrary.length).toBeGreaterThanOrEqual(60);
    expect(new Set(loadLibrary.map(({ id }) => id)).size).toBe(loadLibrary.length);
    expect(new Set(loadLibrary.map(({ name }) => name)).size).toBe(loadLibrary.length);
  });

  it('offers each supply what is made for it', () => {
    const ids = (system: SupplySystem) => libraryFor(system).map(({ id }) => id);
    expect(ids('single-230')).not.toContain('car-three');
    expect(ids('three-230-400')).toContain('car-three');
    expect(ids('single-230')).not.toContain('car-plug');
    expect(ids('split-120-240')).toContain('car-48');
    for (const system of supplySystems) {
      for (const { name } of libraryFor(system)) {
        if (system !== 'three-230-400') expect(name).not.toMatch(/three.phase/i);
      }
    }
  });

  // The amperes of a motor belong to its voltage: 26 A at 120 V are 3.12 kVA wherever it stands.
  it.each([
    ['sump-pump', 26 * 120],
    ['well-pump-large', 58 * 240],
    ['ac-central', 88 * 240],
  ] as const)('starts %s with %i VA on every supply', (id, startVA) => {
    const entry = loadLibrary.find((one) => one.id === id)!;
    for (const system of supplySystems) {
      const load = loadFromLibrary(entry, 'a', system, []);
      const { start } = load;
      const amps = start.how === 'lockedRotor' ? start.lockedRotorA : 0;
      const across = apparentPowerVA(supplyVoltageV(system, load.legs), amps, load.legs);
      expect(Math.abs(across / startVA - 1)).toBeLessThan(0.005);
    }
  });

  it('makes valid loads for every supply, marked as typical', () => {
    for (const system of ['split-120-240', 'two-legs-120-208', 'single-230', 'three-230-400'] as const) {
      for (const entry of loadLibrary) {
        const load = loadFromLibrary(entry, 'x', system, []);
        expect(loadSchema.safeParse(load).success, `${entry.id} on ${system}`).toBe(true);
        expect(load.basis).toBe('typical');
      }
    }
  });

  it('puts a range on both legs in split phase, on three phases where there are, on one in single phase', () => {
    const range = loadLibrary.find(({ id }) => id === 'range-electric')!;
    expect(loadFromLibrary(range, 'x', 'split-120-240', []).legs).toBe('L1-L2');
    expect(loadFromLibrary(range, 'x', 'three-230-400', []).legs).toBe('L1-L2-L3');
    expect(loadFromLibrary(range, 'x', 'single-230', []).legs).toBe('L1');
  });

  it('knows every load of its starter sets', () => {
    const known = new Set(loadLibrary.map(({ id }) => id));
    for (const { loadIds } of starterSets) expect(loadIds.filter((id) => !known.has(id))).toEqual([]);
  });

  it('starts a blank load valid', () => {
    expect(loadSchema.safeParse(blankLoad('x', 'New', 'single-230', [])).success).toBe(true);
  });
});
