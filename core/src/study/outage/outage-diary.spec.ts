import { describe, expect, it } from 'vitest';
import { usualGenerator } from '../../design/index.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { idealUnit } from '../../equipment/testing/ideal-unit.js';
import { syntheticYear, typicalClimates } from '../../nature/index.js';
import { anArray, anOutageYear } from '../testing/outages.js';
import { outageFates } from './outage-fates.js';
import { outagePlan } from './outage-plan.js';
import { causes } from './outage-state.js';
import { playOutage } from './play-outage.js';
import { TierAccount } from './tier-account.js';

const always = (runningPowerW: number, changes = {}) =>
  aLoad({ runningPowerW, use: allSeasons(aroundTheClock), legs: 'L1-L2', tier: 'must', ...changes });
const kinds = (year: Parameters<typeof playOutage>[0], minutes: number) =>
  playOutage(year, 0, minutes).events.map(({ kind }) => kind);

/** Tries again three times. */
const unit = { ...idealUnit, inverter: { ...idealUnit.inverter!, retry: { afterS: 120, tries: 3 } } };

describe('what stands in the diary', () => {
  it('is every retry that trips again, between the trip and the lock-out', () => {
    const found = kinds(anOutageYear({ loads: [always(7000)], unit }), 30);
    expect(found.filter((kind) => kind !== 'grid-back' && kind !== 'resynchronised')).toEqual([
      'transfer',
      'trip',
      'retry',
      'retry',
      'locked-out',
    ]);
  });

  it('is the same minute of a lock-out as where outages are only counted', () => {
    // In the morning it is too much.
    const use = allSeasons({ nightH: 0, morningH: 4, dayH: 0, eveningH: 0 });
    const year = anOutageYear({ loads: [always(300), always(7000, { id: 'late', use })], unit });
    const begins = [3, 4, 5].map((hour) => hour * 60);
    const plan = outagePlan(year, 0, 24 * 60);
    const { survivedMin, cause } = outageFates(plan, { hours: 6, starts: [3, 4, 5], horizonMin: 600 });
    for (const begin of begins) {
      const run = playOutage(year, begin, 600);
      expect(causes[cause[begin / 60]!]).toBe(run.cause);
      expect(survivedMin[begin / 60]).toBe(run.survivedMin);
    }
    // The night ends at six.
    expect(survivedMin[3]).toBeGreaterThanOrEqual(180);
    expect(survivedMin[3]).toBeLessThan(190);
  });

  it('is a battery too cold to take the sun, once a day', () => {
    const winter = syntheticYear(
      typicalClimates.find(({ id }) => id === 'central-europe')!,
      3,
    );
    const year = anOutageYear({
      loads: [always(100)],
      weather: winter,
      brief: { batteryTemperatureC: -5 },
      outage: { arrays: [anArray({ ratedW: 4000 })], startCharge: 0.6 },
    });
    const days = playOutage(year, 0, 3 * 1440).events.filter(({ kind }) => kind === 'cold-charge');
    expect(days.length).toBeGreaterThan(0);
    expect(new Set(days.map(({ minute }) => Math.floor(minute / 1440))).size).toBe(days.length);
  });

  it('is a generator that is wanted in its quiet hours, and one without fuel', () => {
    const generator = { ...usualGenerator('auto'), startBelow: 0.5, quiet: { fromH: 0, toH: 6 } };
    const play = (changes: object) =>
      kinds(
        anOutageYear({ loads: [always(3000)], outage: { generator: { ...generator, ...changes } } }),
        10 * 60,
      );
    expect(play({})).toContain('generator-waits');
    expect(play({ quiet: null })).not.toContain('generator-waits');
    expect(play({ quiet: null, fuelL: 0 })).toContain('generator-dry');
  });
});

describe('what a tier got', () => {
  it('counts no minute in which nothing was wanted', () => {
    const wish = {
      tier: 'may' as const,
      byStage: [Float32Array.of(0, 60, 0, 60)],
      offBesideByStage: [],
      noRoomW: new Float32Array(4),
    };
    const account = new TierAccount(wish, 4);
    for (let minute = 0; minute < 4; minute += 1) account.book(minute, 0, minute < 2 ? 1 : 0, 'empty', false);
    expect(account.result()).toMatchObject({ wantedH: 2 / 60, servedH: 1 / 60, firstFailureH: 3 / 60 });
  });
});
