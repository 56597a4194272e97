import { describe, expect, it } from 'vitest';
import { emptyPlan } from '../plan/empty-plan.js';
import { modulesText, readModules, withModules } from './read-modules.js';
import { outageSettingsOf } from './outage-settings.js';
import { usualArray, usualVehicle } from './usual-sources.js';

const at = (latitudeDeg: number | null) => ({ ...emptyPlan().site, latitudeDeg });
const arrayAt = (latitudeDeg: number | null) =>
  usualArray({ site: at(latitudeDeg), supply: emptyPlan().supply }, 'a', 'Roof');

describe('what one would first think of (common practice, no source)', () => {
  it('an array of 6 kW at 30° faces the equator', () => {
    expect(arrayAt(45)).toMatchObject({ ratedW: 6000, tiltDeg: 30, facingDeg: 180 });
    expect(arrayAt(-35).facingDeg).toBe(0);
    expect(arrayAt(null).facingDeg).toBe(180);
  });

  it('a car gives 5 kW of 60 kWh between 70 and 30 %', () => {
    expect(usualVehicle()).toMatchObject({
      powerW: 5000,
      energyWh: 60_000,
      startCharge: 0.7,
      keeps: 0.3,
      feedsBelow: 0.3,
    });
  });

  it('shed circuits come back a tenth above, and a lock-out is reset within half an hour', () => {
    const { restoreAbove, resetAfterMin } = outageSettingsOf(emptyPlan());
    expect([restoreAbove.value, resetAfterMin.value]).toEqual([0.1, 30]);
  });
});

describe('modules as they are counted', () => {
  it.each([
    ['39 x 410 W', { count: 39, eachW: 410 }],
    ['12×405', { count: 12, eachW: 405 }],
    ['8 * 302,5 Wp', { count: 8, eachW: 302.5 }],
  ])('“%s”', (text, modules) => {
    expect(readModules(text)).toEqual(modules);
    expect(readModules(modulesText({ ...modules, inverters: 'string' }))).toEqual(modules);
  });

  it.each(['', '39', '0 x 400', '4 x 4 kW', '10 x 5000'])('“%s” is none', (text) => {
    expect(readModules(text)).toBeNull();
  });

  it('make the power of their array', () => {
    const roof = arrayAt(45);
    expect(withModules(roof, { count: 39, eachW: 410, inverters: 'module' }).ratedW).toBe(15_990);
    expect(withModules(roof, null).ratedW).toBe(roof.ratedW);
  });
});
