import { dailySettingsOf, type DailyUse, type Plan, type Strategy } from '../../design/index.js';
import { marginalPrices } from '../../tariff/details.js';
import { fullWhere, keptFullLevels, type LevelsAt, ownSolarLevels } from './charge-levels.js';
import type { DailyBattery } from './daily-battery.js';
import type { DailyHouse, MeterYear } from './daily-house.js';
import { type PlayedYear, playYear, type YearOfEnergy } from './play-year.js';
import { priceLevels } from './price-levels.js';

/** How a battery is used, with every default filled in. */
export interface DailyRules extends Pick<
  DailyUse,
  'fullBeforeStorms' | 'gridCharging' | 'sendsOut' | 'importLimitW'
> {
  readonly strategy: Strategy;
}

/** The rules of a design. */
export const dailyRulesOf = (plan: Plan): DailyRules => ({
  ...plan.dailyUse,
  strategy: dailySettingsOf(plan).strategy.value,
});

/** What is behind a meter in one case. */
export interface Behind {
  readonly battery: DailyBattery | null;
  /** What the inverter's own solar inputs take, W. */
  readonly solarDcW: number;
  readonly hasArray: (id: string) => boolean;
}

/** Energies of a meter with what is behind it. Arrays at the battery's inverter find one of their own where there is none. */
export function energiesOf({ loadWh, arrays }: MeterYear, house: DailyHouse, behind: Behind): YearOfEnergy {
  const sunAcWh = new Float64Array(loadWh.length);
  const sunDcWh = new Float64Array(loadWh.length);
  const mostDcWh = (behind.solarDcW * house.intervalMin) / 60;
  for (const { array, energyWh } of arrays) {
    if (!behind.hasArray(array.id)) continue;
    const into = array.coupling === 'dc' ? sunDcWh : sunAcWh;
    for (let i = 0; i < into.length; i += 1) into[i]! += energyWh[i]!;
  }
  if (behind.battery)
    for (let i = 0; i < sunDcWh.length; i += 1) sunDcWh[i] = Math.min(mostDcWh, sunDcWh[i]!);
  return { intervalMin: house.intervalMin, loadWh, sunAcWh, sunDcWh };
}

/** Plays a year behind one meter by a strategy. One that follows prices stores the own sun only where no price is known. */
export function dailyYear(
  of: MeterYear,
  house: DailyHouse,
  behind: Behind,
  rules: DailyRules,
): { readonly energies: YearOfEnergy; readonly played: PlayedYear } {
  const energies = energiesOf(of, house, behind);
  const { battery } = behind;
  const importLimitW = rules.importLimitW ?? Infinity;
  if (!battery) return { energies, played: playYear(energies, null, ownSolarLevels) };
  const levelsOf = (): LevelsAt => {
    switch (rules.strategy) {
      case 'kept-full':
        return keptFullLevels;
      case 'own-solar':
        return ownSolarLevels;
      case 'prices': {
        if (!of.tariff || !of.calendar) return ownSolarLevels;
        const prices = marginalPrices(of.tariff, of.calendar);
        return priceLevels(energies, battery, prices, { ...rules, importLimitW });
      }
    }
  };
  const levels = rules.fullBeforeStorms ? fullWhere(levelsOf(), house.storms) : levelsOf();
  return { energies, played: playYear(energies, battery, levels, importLimitW) };
}
