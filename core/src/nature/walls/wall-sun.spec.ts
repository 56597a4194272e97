import * as astronomy from 'astronomy-engine';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sunPath } from '../sun/sun-path.js';
import { sunPosition } from '../sun/sun-position.js';
import { wallSun, type SunnyWall } from './wall-sun.js';

const degree = Math.PI / 180;
/** Solar noon at twelve: on the meridian of its zone. */
const at = (latitudeDeg: number) => ({ latitudeDeg, longitudeDeg: 0, altitudeM: 0 });
const open = (facingDeg: number): SunnyWall => ({ facingDeg, eaves: null, horizon: [] });
const dayOf = (month: number, day: number): number =>
  Math.round((Date.UTC(2001, month - 1, day) - Date.UTC(2001, 0, 1)) / 86_400_000);
const litOf = (litMin: Uint8Array, day: number): number[] => [...litMin.slice(day * 24, day * 24 + 24)];
const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0);

const path33 = sunPath(at(33), 0);

describe('the way of the sun', () => {
  it('is that of the position of the sun, minute by minute', () => {
    const place = { latitudeDeg: 47.2, longitudeDeg: 11.4, altitudeM: 0 };
    const path = sunPath(place, 1);
    let worst = 0;
    for (let minute = 7; minute < 525_600; minute += 997) {
      const { zenithDeg, azimuthDeg } = sunPosition(
        Date.UTC(2001, 0, 1) + (minute + 0.5 - 60) * 60_000,
        place,
      );
      if (zenithDeg > 88) continue;
      const elevation = Math.asin(path.up[minute]!) / degree;
      const azimuth = (Math.atan2(path.east[minute]!, path.north[minute]!) / degree + 360) % 360;
      worst = Math.max(
        worst,
        Math.abs(elevation - (90 - zenithDeg)),
        Math.abs(((azimuth - azimuthDeg + 540) % 360) - 180) * Math.sin(zenithDeg * degree),
      );
    }
    expect(worst).toBeLessThan(0.02);
  });

  // astronomy-engine 2, a general astronomy package, as the reference.
  it('is up for as long as a general astronomy package says', () => {
    const observer = new astronomy.Observer(33, 0, 0);
    for (const [month, day] of [
      [1, 15],
      [6, 21],
      [9, 30],
    ] as const) {
      const begin = new Date(Date.UTC(2001, month - 1, day));
      const rise = astronomy.SearchRiseSet(astronomy.Body.Sun, observer, 1, begin, 1)!.date.getTime();
      const set = astronomy.SearchRiseSet(astronomy.Body.Sun, observer, -1, begin, 1)!.date.getTime();
      const from = dayOf(month, day) * 1440;
      const up = path33.up.slice(from, from + 1440).filter((height) => height > 0).length;
      // That package counts the upper edge of the disc, half a sun earlier and later: some three minutes.
      expect(Math.abs((set - rise) / 60_000 - up)).toBeLessThan(5);
    }
  });
});

describe('direct sun on a wall', () => {
  // From cos h = tan δ / tan φ: the sun is due east or west of the wall's plane.
  it('that faces the pole at 33° N: none in winter, in midsummer 3.9 h from sunrise and 3.9 h before sunset', () => {
    const { litMin, hoursByMonth } = wallSun(path33, open(0));
    for (const month of [0, 1, 9, 10, 11]) expect(hoursByMonth[month]).toBe(0);
    const lit = litOf(litMin, dayOf(6, 21));
    // Sunset hour angle from cos h = −tan φ tan δ: 7.09 h from noon; due west at cos h = tan δ / tan φ: 3.2 h from noon.
    const declination = 23.44 * degree;
    const sunsetH = Math.acos(-Math.tan(33 * degree) * Math.tan(declination)) / (15 * degree);
    const westH = Math.acos(Math.tan(declination) / Math.tan(33 * degree)) / (15 * degree);
    expect(sunsetH - westH).toBeCloseTo(3.9, 1);
    expect(Math.abs(sum(lit.slice(0, 12)) / 60 - (sunsetH - westH))).toBeLessThan(0.1);
    expect(Math.abs(sum(lit.slice(12)) / 60 - (sunsetH - westH))).toBeLessThan(0.1);
    expect(lit[11]! + lit[12]!).toBe(0);
  });

  it('that faces east loses the sun at solar noon', () => {
    const { litMin } = wallSun(path33, open(90));
    for (let day = 0; day < 365; day += 1) {
      const lit = litOf(litMin, day);
      // The equation of time moves solar noon by up to 16.5 minutes.
      expect(sum(lit.slice(13))).toBe(0);
      expect(lit[10]).toBe(60);
    }
  });

  it('that faces the equator has all of the day in winter, none of the midsummer morning', () => {
    const { litMin } = wallSun(path33, open(180));
    const winter = dayOf(12, 21);
    const up = path33.up.slice(winter * 1440, winter * 1440 + 1440).filter((height) => height > 0).length;
    expect(Math.abs(sum(litOf(litMin, winter)) - up)).toBeLessThanOrEqual(1);
    expect(sum(litOf(litMin, dayOf(6, 21)).slice(0, 8))).toBe(0);
  });

  it('is mirrored south of the equator', () => {
    const south = wallSun(sunPath(at(-33), 0), open(180));
    expect(south.hoursByMonth[5]).toBe(0);
    expect(south.hoursByMonth[11]).toBeGreaterThan(7);
  });

  it('of one wall and of the one that faces away from it: together as long as the sun is up', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 360, noNaN: true }), (facing) => {
        const [one, other] = [wallSun(path33, open(facing)), wallSun(path33, open((facing + 180) % 360))];
        for (let hour = 0; hour < 8760; hour += 13) {
          const up = path33.up.slice(hour * 60, hour * 60 + 60).filter((height) => height > 0).length;
          expect(one.litMin[hour]! + other.litMin[hour]!).toBe(up);
        }
      }),
      { numRuns: 8 },
    );
  });

  it('under eaves: as the profile angle says, minute by minute, and never more than without', () => {
    // Sun 60° high, straight before the wall: eaves of 0.5 m throw a shadow of 0.866 m.
    const one = (aboveM: number): number =>
      wallSun(
        {
          east: new Float32Array(525_600),
          north: new Float32Array(525_600).fill(-0.5),
          up: new Float32Array(525_600).fill(Math.sin(60 * degree)),
        },
        { facingDeg: 180, eaves: { depthM: 0.5, aboveM }, horizon: [] },
      ).litMin[0]!;
    expect([one(0.86), one(0.87)]).toEqual([0, 60]);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (facingDeg, depthM, aboveM) => {
          const bare = wallSun(path33, open(facingDeg));
          const shaded = wallSun(path33, { facingDeg, eaves: { depthM, aboveM }, horizon: [] });
          expect(shaded.litMin.every((min, hour) => min <= bare.litMin[hour]!)).toBe(true);
        },
      ),
      { numRuns: 8 },
    );
  });

  it('behind a horizon: lost below it, where it is', () => {
    const hill = wallSun(path33, {
      facingDeg: 90,
      eaves: null,
      horizon: [
        { azimuthDeg: 0, elevationDeg: 20 },
        { azimuthDeg: 200, elevationDeg: 20 },
      ],
    });
    const flat = wallSun(path33, open(90));
    // At the equinox the sun climbs by cos 33° · 15° an hour at first: 20° after 1.6 h.
    const day = dayOf(3, 21);
    const lost = sum(litOf(flat.litMin, day)) - sum(litOf(hill.litMin, day));
    const climbH = Math.asin(Math.sin(20 * degree) / Math.cos(33 * degree)) / (15 * degree);
    expect(Math.abs(lost / 60 - climbH)).toBeLessThan(0.1);
  });
});
