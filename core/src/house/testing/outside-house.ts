import type { OutsideGroup } from '../../base/testing/outside.js';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import { loadLibrary } from '../loads/library/load-library.js';
import { billDays } from '../usage/bill-facts.js';
import { houseClock } from '../usage/house-clock.js';

const where = 'house/testing/outside-house.ts';

const hoursAhead = (instant: string, zone: string): number =>
  (Date.parse(`${houseClock(instant, zone)}Z`) - Date.parse(instant)) / 3_600_000;

/** Hours ahead of UTC in the middle of January and of July 2025. */
const zones = [
  ['America/Halifax', -4, -3], ['America/St_Johns', -3.5, -2.5], ['America/New_York', -5, -4], ['America/Chicago', -6, -5],
  ['America/Denver', -7, -6], ['America/Phoenix', -7, -7], ['America/Los_Angeles', -8, -7], ['America/Anchorage', -9, -8],
  ['Pacific/Honolulu', -10, -10], ['Europe/London', 0, 1], ['Europe/Vienna', 1, 2], ['Europe/Athens', 2, 3],
  ['Asia/Kolkata', 5.5, 5.5], ['Asia/Kathmandu', 5.75, 5.75], ['Australia/Adelaide', 10.5, 9.5], ['Australia/Sydney', 11, 10],
  ['Australia/Lord_Howe', 11, 10.5], ['Pacific/Chatham', 13.75, 12.75], ['America/Sao_Paulo', -3, -3],
] as const; // prettier-ignore

/** Energy of a day, kWh: least, most. */
const appliances = [
  ['fridge', 'summer', 1, 2], ['freezer-chest', 'winter', 0.6, 1.2], ['fridge-older', 'winter', 1.9, 3.3],
  ['water-heater-tank', 'winter', 8, 13.2], ['water-heater-heat-pump', 'winter', 2, 4.2], ['dryer-electric', 'winter', 2.5, 4],
  ['dryer-heat-pump', 'winter', 1, 2], ['dishwasher', 'winter', 0.8, 1.4], ['washer-heats', 'winter', 0.5, 1],
  ['hot-tub', 'winter', 6, 10],
] as const; // prettier-ignore

export const outsideHouse: readonly OutsideGroup[] = [
  {
    title: 'Clock of a place against UTC, in January and July',
    kind: 'example',
    source: 'IANA time zone database (recalled)',
    where,
    unit: 'h',
    values: zones.flatMap(([zone, january, july]) => [
      {
        what: `${zone}, January`,
        expected: january,
        within: 0,
        measure: () => hoursAhead('2025-01-15T12:00:00Z', zone),
      },
      {
        what: `${zone}, July`,
        expected: july,
        within: 0,
        measure: () => hoursAhead('2025-07-15T12:00:00Z', zone),
      },
    ]),
  },
  {
    title: 'Days of a billing period',
    kind: 'definition',
    source: 'the Gregorian calendar',
    where,
    unit: 'days',
    values: (
      [
        ['2024-02-01', '2024-03-01', 29],
        ['2025-02-01', '2025-03-01', 28],
        ['2000-02-01', '2000-03-01', 29],
        ['2025-03-30', '2025-03-31', 1],
        ['2024-12-15', '2025-01-15', 31],
        ['2025-01-01', '2026-01-01', 365],
      ] as const
    ).map(([fromDay, toDay, expected]) => ({
      what: `${fromDay} to ${toDay}`,
      expected,
      within: 0,
      measure: () => billDays({ fromDay, toDay }),
    })),
  },
  {
    title: 'Energy of typical appliances on a day: middle of a usual range',
    kind: 'practice',
    source:
      'consumption tables of national energy agencies, rounded outward (recalled); common practice for the refrigerator',
    where,
    unit: 'kWh',
    values: appliances.map(([id, season, least, most]) => ({
      what: `${id}, ${season}`,
      expected: (least + most) / 2,
      within: (most - least) / 2,
      measure: () =>
        dailyEnergyWh(
          loadLibrary.find((entry) => entry.id === id)!,
          season,
        ) / 1000,
    })),
  },
];
