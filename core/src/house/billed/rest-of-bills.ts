import { systemFacts } from '../../electric/index.js';
import { type Season, seasons } from '../../nature/index.js';
import { blankLoad } from '../loads/blank-load.js';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import type { Load } from '../loads/load.schema.js';
import { useForEnergy } from '../loads/use-for-energy.js';
import type { House } from '../site/house.js';
import { seasonDaysWh } from '../usage/season-days.js';

type Billed = Pick<House, 'usage' | 'site' | 'loads'>;

export const isSouthern = ({ latitudeDeg }: House['site']): boolean => (latitudeDeg ?? 45) < 0;

/** What the house takes on a day of each season by its bills, Wh; null without bills. */
export const seasonDayWh = ({ bills }: Pick<House['usage'], 'bills'>, site: House['site']) =>
  seasonDaysWh(bills, isSouthern(site));

/** Energy of the bills that no listed load explains, on a day of each season, Wh; null without bills. Negative: more is listed. */
export function unexplainedWh(house: Billed): Readonly<Record<Season, number>> | null {
  const billed = seasonDayWh(house.usage, house.site);
  if (!billed) return null;
  const listed = house.loads.filter(({ basis }) => basis !== 'bills');
  return Object.fromEntries(
    seasons.map((season) => [
      season,
      listed.reduce((restWh, load) => restWh - dailyEnergyWh(load, season), billed[season]),
    ]),
  ) as Record<Season, number>;
}

/**
 * A load that stands for all that the bills contain and nobody has listed, on all legs alike; it follows the bills and the list.
 */
export function restLoad(id: string, house: Billed & Pick<House, 'supply'>): Load {
  const rest: Load = {
    ...blankLoad(id, 'Rest of the house, by its bills', house.supply.system, house.loads),
    kind: 'outlets',
    basis: 'bills',
    powerFactor: 0.95,
    legs: systemFacts[house.supply.system].legSets.at(-1)!,
  };
  return settleRest({ ...house, loads: [...house.loads, rest] }).loads.at(-1)!;
}

/** The house with its rest brought into line with the bills and with what is listed; without bills it stays as it is. */
export function settleRest<H extends Billed>(house: H): H {
  const rest = house.loads.find(({ basis }) => basis === 'bills');
  const wantedWh = rest && unexplainedWh(house);
  if (!wantedWh) return house;
  const now = useForEnergy(wantedWh);
  const isSame =
    rest.runningPowerW === now.runningPowerW &&
    rest.quantity === 1 &&
    rest.dutyCycle === 1 &&
    JSON.stringify(rest.use) === JSON.stringify(now.use);
  if (isSame) return house;
  return { ...house, loads: house.loads.map((load) => (load === rest ? { ...load, ...now } : load)) };
}

/** Listed loads that explain less of a season than this leave too much unsaid (common practice, no source). */
export const enoughExplained = 2 / 3;

/** Share of each season's bills that the listed loads explain; null without bills. Above 1: more is listed than was billed. */
export function explainedShare(house: Billed): Readonly<Record<Season, number>> | null {
  const billed = seasonDayWh(house.usage, house.site);
  const left = unexplainedWh(house);
  if (!billed || !left) return null;
  return Object.fromEntries(
    seasons.map((season) => [season, billed[season] > 0 ? 1 - left[season] / billed[season] : 1]),
  ) as Record<Season, number>;
}
