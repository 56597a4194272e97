import { systemFacts } from '../../electric/index.js';
import { type Season, seasons } from '../../nature/index.js';
import { blankLoad } from '../loads/blank-load.js';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import type { Load } from '../loads/load.schema.js';
import { useForEnergy } from '../loads/use-for-energy.js';
import type { House } from '../site/house.js';
import { seasonDayWh } from './season-day.js';

type Billed = Pick<House, 'usage' | 'site' | 'loads'>;

/** What is billed on a day of a season, and what the listed loads take of it, Wh. */
interface Explained {
  readonly billedWh: number;
  readonly listedWh: number;
}

/** Bills against the list, by season; null without bills. What the bills leave over is not listed. */
export function explainedWh(house: Billed): Readonly<Record<Season, Explained>> | null {
  const billed = seasonDayWh(house.usage, house.site);
  if (!billed) return null;
  const listed = house.loads.filter(({ basis }) => basis !== 'bills');
  return Object.fromEntries(
    seasons.map((season) => [
      season,
      {
        billedWh: billed[season],
        listedWh: listed.reduce((sumWh, load) => sumWh + dailyEnergyWh(load, season), 0),
      },
    ]),
  ) as Record<Season, Explained>;
}

/** Share of the bills that the list explains; above 1 more is listed than was billed. */
export const explainedShare = ({ billedWh, listedWh }: Explained): number =>
  billedWh > 0 ? listedWh / billedWh : 1;

/** Energy of the bills that no listed load explains, on a day of each season, Wh; null without bills. Negative: more is listed. */
export function unexplainedWh(house: Billed): Readonly<Record<Season, number>> | null {
  const explained = explainedWh(house);
  return (
    explained &&
    (Object.fromEntries(
      seasons.map((season) => [season, explained[season].billedWh - explained[season].listedWh]),
    ) as Record<Season, number>)
  );
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
