import { normalShare } from '../../base/index.js';
import type { OutsideGroup } from '../../base/testing/outside.js';
import {
  arrayPower,
  ashraeAngleShare,
  cellTemperatureC,
  defaultLosses,
  totalLoss,
} from '../sun/array-power.js';
import { extraterrestrialDayWhPerM2, extraterrestrialWPerM2 } from '../sun/extraterrestrial.js';
import { cosIncidence } from '../sun/incidence.js';
import { clearSkyWPerM2, erbsDiffuseShare } from '../sun/sky.js';
import { refractionDeg, standardPressureHPa, sunPosition } from '../sun/sun-position.js';
import { clearnessSpread } from '../weather/clearness-distribution.js';

const where = 'nature/testing/outside-sun.ts';
const degree = Math.PI / 180;
const vacuum = { pressureHPa: 0 };
const at = (latitudeDeg: number, longitudeDeg = 0) => ({ latitudeDeg, longitudeDeg, altitudeM: 0 });

/** Highest altitude of the sun on a day of 2026 at the prime meridian, looked for minute by minute, °. */
function noonAltitudeDeg(month: number, day: number, latitudeDeg: number): number {
  let highest = -90;
  for (let minute = 11 * 60; minute <= 13 * 60; minute += 1) {
    const { zenithDeg } = sunPosition(Date.UTC(2026, month - 1, day, 0, minute), at(latitudeDeg), vacuum);
    highest = Math.max(highest, 90 - zenithDeg);
  }
  return highest;
}

/** Hours with the middle of the sun above the horizon on a day of 2026 at the prime meridian. */
function dayLengthH(month: number, day: number, latitudeDeg: number): number {
  let minutes = 0;
  for (let minute = 0; minute < 1440; minute += 1) {
    const { zenithDeg } = sunPosition(Date.UTC(2026, month - 1, day, 0, minute), at(latitudeDeg), vacuum);
    if (zenithDeg < 90) minutes += 1;
  }
  return minutes / 60;
}

const dayOfYear = (month: number, day: number): number =>
  Math.round((Date.UTC(2026, month - 1, day) - Date.UTC(2026, 0, 0)) / 86_400_000);
/** Declination as FAO 56, equation 24, has it, °. */
const faoDeclinationDeg = (day: number): number =>
  (0.409 * Math.sin(((2 * Math.PI) / 365) * day - 1.39)) / degree;
const outsideMJ = (day: number, latitudeDeg: number): number =>
  extraterrestrialDayWhPerM2(day, latitudeDeg, faoDeclinationDeg(day)) * 0.0036;

/** Zenith and azimuth from north, as a book has them from declination and hour angle, °. */
function fromHourAngle(latitudeDeg: number, declinationDeg: number, hourDeg: number) {
  const [f, d, w] = [latitudeDeg * degree, declinationDeg * degree, hourDeg * degree];
  const zenith = Math.acos(Math.sin(f) * Math.sin(d) + Math.cos(f) * Math.cos(d) * Math.cos(w));
  const azimuth = Math.atan2(Math.sin(w), Math.cos(w) * Math.sin(f) - Math.tan(d) * Math.cos(f));
  return { zenithDeg: zenith / degree, azimuthDeg: 180 + azimuth / degree };
}

/** Mean days of the months of Duffie and Beckman, Table 1.6.1, and their declination, °. */
const meanDays = [
  [1, 17, -20.9], [2, 16, -13], [3, 16, -2.4], [4, 15, 9.4], [5, 15, 18.8], [6, 11, 23.1],
  [7, 17, 21.2], [8, 16, 13.5], [9, 15, 2.2], [10, 15, -9.6], [11, 14, -18.9], [12, 10, -23],
] as const; // prettier-ignore
/** FAO 56, Table 2.6: light outside the atmosphere on the 15th of each month, MJ/m² a day. */
const faoMJ = {
  0: [36.2, 37.5, 37.9, 36.8, 34.8, 33.4, 33.9, 35.7, 37.2, 37.4, 36.3, 35.6],
  40: [15, 20.4, 27.2, 34.7, 39.7, 41.9, 40.8, 36.7, 30, 22.5, 16.3, 13.6],
} as const;

export const outsideSun: readonly OutsideGroup[] = [
  {
    title: 'Position of the sun: zenith and azimuth of the worked example',
    kind: 'example',
    source: 'NREL/TP-560-34302, Solar Position Algorithm (recalled)',
    where,
    unit: '°',
    values: (['zenithDeg', 'azimuthDeg'] as const).map((key) => ({
      what: key === 'zenithDeg' ? 'zenith' : 'azimuth',
      expected: key === 'zenithDeg' ? 50.11162 : 194.34024,
      within: 0.01,
      measure: () =>
        sunPosition(
          Date.UTC(2003, 9, 17, 19, 30, 30),
          { latitudeDeg: 39.742476, longitudeDeg: -105.1786, altitudeM: 1830.14 },
          { pressureHPa: 820, temperatureC: 11 },
        )[key],
    })),
  },
  {
    title: 'Declination on the mean days of the months, from the sun at noon at 45° N',
    kind: 'example',
    source:
      'Duffie and Beckman, Table 1.6.1 (recalled); its formula (Cooper) is up to a degree off in autumn',
    where,
    unit: '°',
    values: meanDays.map(([month, day, expected]) => ({
      what: `day ${day} of month ${month}`,
      expected,
      within: 1,
      measure: () => noonAltitudeDeg(month, day, 45) - 45,
    })),
  },
  {
    title:
      'The sun at noon on the days of solstice and equinox: 90° less latitude and declination of 23.44°, 0°',
    kind: 'definition',
    source: 'obliquity of the ecliptic, 23.44°',
    where,
    unit: '°',
    values: [0, 23.44, 40, 51.5, 60].flatMap((latitudeDeg) =>
      (
        [
          ['20 March', 3, 20, 0, 0.15],
          ['21 June', 6, 21, 23.44, 0.05],
          ['21 December', 12, 21, -23.44, 0.05],
        ] as const
      ).map(([date, month, day, declinationDeg, within]) => ({
        what: `${date} at ${latitudeDeg}° N`,
        expected: 90 - Math.abs(latitudeDeg - declinationDeg),
        within,
        measure: () => noonAltitudeDeg(month, day, latitudeDeg),
      })),
    ),
  },
  {
    title: 'Hours of daylight',
    kind: 'example',
    source: 'FAO Irrigation and Drainage Paper 56, example 9 (recalled), and 2/15 · arccos(−tan φ tan δ)',
    where,
    unit: 'h',
    values: (
      [
        ['3 September at 20° S', 9, 3, -20, 11.7],
        ['21 June at 40° N', 6, 21, 40, 14.85],
        ['21 December at 40° N', 12, 21, 40, 9.15],
        ['21 June at 0°', 6, 21, 0, 12],
        ['21 June at 70° N', 6, 21, 70, 24],
      ] as const
    ).map(([what, month, day, latitudeDeg, expected]) => ({
      what,
      expected,
      within: 0.1,
      measure: () => dayLengthH(month, day, latitudeDeg),
    })),
  },
  {
    title: 'Light outside the atmosphere on a day',
    kind: 'example',
    source: 'FAO Irrigation and Drainage Paper 56, Table 2.6 and example 8 (recalled)',
    where,
    unit: 'MJ/m²',
    values: [
      ...([0, 40] as const).flatMap((latitudeDeg) =>
        faoMJ[latitudeDeg].map((expected, month) => ({
          what: `day 15 of month ${month + 1} at ${latitudeDeg}° N`,
          expected,
          within: 0.35,
          measure: () => outsideMJ(dayOfYear(month + 1, 15), latitudeDeg),
        })),
      ),
      { what: '3 September at 20° S', expected: 32.2, within: 0.1, measure: () => outsideMJ(246, -20) },
    ],
  },
  {
    title: 'Worked examples of solar geometry',
    kind: 'example',
    source: 'Duffie and Beckman, examples 1.6.1, 1.6.2, 1.8.1, 1.10.1 and Figure 1.4.1 (recalled)',
    where,
    unit: 'as said',
    values: [
      {
        what: '1.6.1: angle of incidence, °',
        expected: 35.2,
        within: 0.3,
        measure: () => {
          const { zenithDeg, azimuthDeg } = fromHourAngle(43, -14, -22.5);
          return Math.acos(cosIncidence(zenithDeg, azimuthDeg, 45, 195)) / degree;
        },
      },
      {
        what: '1.8.1: beam on that plane over beam on the flat',
        expected: 1.66,
        within: 0.01,
        measure: () => {
          const { zenithDeg, azimuthDeg } = fromHourAngle(43, -14, -22.5);
          return cosIncidence(zenithDeg, azimuthDeg, 45, 195) / Math.cos(zenithDeg * degree);
        },
      },
      {
        what: '1.10.1: 15 April at 43° N, MJ/m² a day',
        expected: 33.8,
        within: 0.06,
        measure: () => extraterrestrialDayWhPerM2(105, 43, 9.4) * 0.0036,
      },
      {
        what: '1.4.1: sun outside the atmosphere on 1 January, W/m²',
        expected: 1412,
        within: 1,
        measure: () => extraterrestrialWPerM2(1),
      },
      {
        what: '1.4.1: the same on 1 July, W/m²',
        expected: 1322,
        within: 1,
        measure: () => extraterrestrialWPerM2(182),
      },
    ],
  },
  {
    title: 'Share of diffuse light by clearness',
    kind: 'example',
    source:
      'Erbs, Klein and Duffie 1982, as in Duffie and Beckman, equation 2.10.1 (recalled), worked by hand',
    where,
    unit: 'share',
    values: (
      [
        [0.1, 0.991],
        [0.2, 0.982],
        [0.5, 0.6591],
        [0.7, 0.2441],
        [0.85, 0.165],
      ] as const
    ).map(([clearness, expected]) => ({
      what: `clearness ${clearness}`,
      expected,
      within: 0.001,
      measure: () => erbsDiffuseShare(clearness),
    })),
  },
  {
    title: 'An array',
    kind: 'example',
    source:
      'NREL/TP-6A20-62641, default losses; ASHRAE 93, angle modifier with b₀ = 0.05; NOCT at 800 W/m² and 20 °C (recalled)',
    where,
    unit: 'as said',
    values: [
      {
        what: 'default losses, share',
        expected: 0.1408,
        within: 5e-5,
        measure: () => totalLoss(defaultLosses),
      },
      { what: 'angle modifier at 0°', expected: 1, within: 1e-9, measure: () => ashraeAngleShare(1) },
      {
        what: 'angle modifier at 60°',
        expected: 0.95,
        within: 1e-9,
        measure: () => ashraeAngleShare(Math.cos(60 * degree)),
      },
      {
        what: 'cell at 800 W/m² and 20 °C, °C',
        expected: 45,
        within: 1e-9,
        measure: () => cellTemperatureC(20, 800),
      },
      {
        what: 'cell at 1000 W/m² and 20 °C, °C',
        expected: 51.25,
        within: 1e-9,
        measure: () => cellTemperatureC(20, 1000),
      },
      {
        what: 'rated power at 1000 W/m² and cells of 25 °C, W',
        expected: 5000,
        within: 1e-6,
        measure: () =>
          arrayPower({ beamWPerM2: 1000, skyWPerM2: 0, groundWPerM2: 0 }, 1, -6.25, {
            ratedW: 5000,
            temperatureCoefficientPerC: -0.004,
            loss: 0,
            inverterEfficiency: 1,
            inverterW: 5000,
          }).dcW,
      },
    ],
  },
  {
    title: 'Apparent declination of the sun on 13 October 1992, 0 h terrestrial time',
    kind: 'example',
    source: 'Meeus, Astronomical Algorithms, example 25.a (recalled)',
    where,
    unit: '°',
    values: [
      {
        what: 'declination',
        expected: -7.78507,
        within: 1e-5,
        // Universal time was behind terrestrial time by 60.9 s, as the program has it.
        measure: () => sunPosition(Date.UTC(1992, 9, 13) - 60_900, at(0), vacuum).declinationDeg,
      },
    ],
  },
  {
    title: 'Refraction of the air at 1010 hPa and 10 °C',
    kind: 'example',
    source: 'Meeus, Astronomical Algorithms, example 16.a, and the usual table of almanacs (recalled)',
    where,
    unit: 'minutes of arc',
    values: (
      [
        ['true altitude 33.478′', 33.478 / 60, 24.618, 0.06],
        ['true altitude 10°', 10, 5.3, 0.15],
        ['true altitude 45°', 45, 1, 0.03],
      ] as const
    ).map(([what, elevationDeg, expected, within]) => ({
      what,
      expected,
      within,
      measure: () => 60 * refractionDeg(elevationDeg, 1010, 10),
    })),
  },
  {
    title: 'Pressure of the standard atmosphere',
    kind: 'example',
    source: 'ISO 2533, table (recalled)',
    where,
    unit: 'hPa',
    values: (
      [
        [0, 1013.25],
        [1000, 898.76],
        [3000, 701.08],
        [5000, 540.2],
      ] as const
    ).map(([altitudeM, expected]) => ({
      what: `${altitudeM} m`,
      expected,
      within: 0.25,
      measure: () => standardPressureHPa(altitudeM),
    })),
  },
  {
    title: 'Light under a clear sky by Haurwitz',
    kind: 'example',
    source: 'test values of a general solar library for the same model (recalled)',
    where,
    unit: 'W/m²',
    values: (
      [
        [5, 48.6298687941956],
        [10, 135.741748091813],
        [30, 487.894132885425],
        [50, 778.766689344363],
        [90, 1035.0920325345],
      ] as const
    ).map(([elevationDeg, expected]) => ({
      what: `elevation ${elevationDeg}°`,
      expected,
      within: 1e-6,
      measure: () => clearSkyWPerM2(90 - elevationDeg),
    })),
  },
  {
    title: 'Spread of daily clearness in a month of mean 0.4',
    kind: 'example',
    source: 'Duffie and Beckman, section 2.9 (recalled), worked by hand',
    where,
    unit: 'as said',
    values: [
      {
        what: 'clearness of the clearest day',
        expected: 0.73542,
        within: 2e-5,
        measure: () => clearnessSpread(0.4).highest,
      },
      {
        what: 'slope γ of the distribution',
        expected: 0.1821,
        within: 2e-4,
        measure: () => clearnessSpread(0.4).gamma,
      },
    ],
  },
  {
    title: 'Share of a normal distribution below a score',
    kind: 'example',
    source: 'Abramowitz and Stegun, table 26.1 (recalled)',
    where,
    unit: 'share',
    values: (
      [
        [0, 0.5],
        [0.5, 0.6914624613],
        [1, 0.8413447461],
        [1.96, 0.9750021049],
        [-2.5, 0.0062096653],
        [3, 0.998650102],
      ] as const
    ).map(([score, expected]) => ({
      what: `score ${score}`,
      expected,
      within: 2e-7,
      measure: () => normalShare(score),
    })),
  },
];
