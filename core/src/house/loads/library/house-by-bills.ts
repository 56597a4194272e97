import { type Season, seasons } from '../../../nature/index.js';
import type { SupplySystem } from '../../../electric/index.js';
import { dailyEnergyWh } from '../daily-energy.js';
import { dayParts, type Load } from '../load.schema.js';
import { dayPartFacts } from '../day-parts.js';
import { everyHouse } from './every-house.js';
import { libraryFor } from './load-library.js';
import { loadFromLibrary } from './load-from-library.js';

export const heatings = ['fuel', 'heat-pump', 'resistance'] as const;
export const coolings = ['none', 'room', 'central'] as const;
export const waterHeatings = ['fuel', 'heat-pump', 'tank'] as const;
export const cookings = ['gas', 'electric'] as const;

/** What decides which loads a house has; asked on the telephone. */
export interface HouseAnswers {
  readonly heating: (typeof heatings)[number];
  readonly cooling: (typeof coolings)[number];
  readonly water: (typeof waterHeatings)[number];
  readonly cooking: (typeof cookings)[number];
  readonly ownWell: boolean;
}

const heatingIds: Readonly<Record<HouseAnswers['heating'], readonly string[]>> = {
  fuel: ['boiler-gas', 'circulator'],
  'heat-pump': ['heat-pump-ducted'],
  resistance: ['electric-heating'],
};
const coolingIds: Readonly<Record<HouseAnswers['cooling'], readonly string[]>> = {
  none: [],
  room: ['ac-room'],
  central: ['ac-central'],
};
const waterIds: Readonly<Record<HouseAnswers['water'], readonly string[]>> = {
  fuel: [],
  'heat-pump': ['water-heater-heat-pump'],
  tank: ['water-heater-tank'],
};
const cookingIds: Readonly<Record<HouseAnswers['cooking'], readonly string[]>> = {
  gas: ['gas-range'],
  electric: ['range-electric'],
};

/** Loads whose hours come and go with the weather. */
const followWeather = new Set(['heat-pump', 'space-heating', 'cooling']);
/** Share of the least season that listed loads may explain: something is always left that nobody lists. */
const mostExplained = 0.85;
/** How far hours of a typical load are stretched (common practice, no source). */
const mostStretched = 1.5;

/** Hours of use of a season times a factor, no part of the day fuller than full. */
function stretched(load: Load, season: Season, factor: number): Load {
  const hours = { ...load.use[season] };
  for (const part of dayParts) {
    const { field, hours: all } = dayPartFacts[part];
    hours[field] = Math.min(all.length, hours[field] * factor);
  }
  return { ...load, use: { ...load.use, [season]: hours } };
}

/**
 * The typical loads of a house of which only the bills are known, their hours fitted to what it takes in each season.
 *
 * What is not of the weather is used alike all year: the season with the least gives its measure, and hours are shrunk or stretched
 * (at most by a half) until it explains no more than 85 % of that. Heating and cooling take what a season has above it, as far as
 * their hours reach. What then remains is left to the rest of the house ({@link restLoad}), so that the whole is what was billed.
 *
 * @param dayWh energy of a mean day of each season by the bills, Wh
 */
export function houseByBills(
  dayWh: Readonly<Record<Season, number>>,
  answers: HouseAnswers,
  system: SupplySystem,
  newId: () => string,
): Load[] {
  const ids = [
    ...everyHouse,
    ...heatingIds[answers.heating],
    ...coolingIds[answers.heating === 'heat-pump' ? 'none' : answers.cooling],
    ...waterIds[answers.water],
    ...cookingIds[answers.cooking],
    'washer-cold',
    ...(answers.ownWell ? ['well-pump-small'] : []),
  ];
  const library = libraryFor(system);
  const entries = ids.flatMap((id) => library.find((entry) => entry.id === id) ?? []);
  const loads = entries.reduce<Load[]>(
    (added, entry) => [...added, loadFromLibrary(entry, newId(), system, added)],
    [],
  );
  const takenWh = (season: Season, weather: boolean): number =>
    loads
      .filter(({ kind }) => followWeather.has(kind) === weather)
      .reduce((sum, load) => sum + dailyEnergyWh(load, season), 0);
  const leastSeason = seasons.reduce((a, b) => (dayWh[b] < dayWh[a] ? b : a));
  const leastWh = dayWh[leastSeason];
  const allYearWh = Math.max(leastWh / 2, leastWh - takenWh(leastSeason, true));
  const mostListedWh = Math.max(...seasons.map((season) => takenWh(season, false)));
  const stretch = Math.min(mostStretched, (mostExplained * allYearWh) / mostListedWh);
  return loads.map((load) =>
    seasons.reduce((fitted, season) => {
      if (!followWeather.has(load.kind)) return stretched(fitted, season, stretch);
      const weatherWh = takenWh(season, true);
      const wantedWh = Math.max(0, dayWh[season] - allYearWh);
      return weatherWh > 0 ? stretched(fitted, season, wantedWh / weatherWh) : fitted;
    }, load),
  );
}
