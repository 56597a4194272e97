import { countsInPower, energyStages, membersOf } from '../demand/power-members.js';
import { powerDemand } from '../demand/power-demand.js';
import { type DayPart, dayPartFacts, sumHourlyEnergyWh } from '../../house/index.js';
import { type Plan, plannedLoad, settingsOf } from '../../design/index.js';
import type { DemandContext } from './demand-context.js';

/**
 * Works out what a job asks of any stack: energy by hour, power, starts, and the daily goals.
 *
 * Own solar: the smaller of evening and night consumption of the whole house and the surplus solar there is to store.
 * Peak price: consumption of the evening (16–22).
 */
export function demandContextOf(plan: Plan): DemandContext {
  const settings = settingsOf(plan);
  const { goals } = plan.brief;
  const planned = plan.brief.plannedAdditions
    .filter(({ countIn }) => countIn)
    .map((addition) => plannedLoad(addition, plan.supply.system));
  const members = membersOf(plan, planned);
  const powerSet = members.filter(countsInPower).map(({ load }) => load);
  const season = settings.designSeason.value;
  const stages = energyStages(members, season, settings.handsOn.value);
  const houseWh = sumHourlyEnergyWh([...plan.loads, ...planned], season);
  const during = (...parts: DayPart[]): number =>
    parts.flatMap((part) => [...dayPartFacts[part].hours]).reduce((sum, hour) => sum + houseWh[hour]!, 0);
  const ownSolarWh =
    goals.ownSolar === 'none' ? 0 : Math.min(during('evening', 'night'), settings.surplusSolarWhPerDay.value);
  const peakPriceWh = goals.peakPrice === 'none' ? 0 : during('evening');
  const wanted = [
    { goal: 'own solar' as const, weight: goals.ownSolar, energyWh: ownSolarWh },
    { goal: 'peak price' as const, weight: goals.peakPrice, energyWh: peakPriceWh },
  ].filter(({ weight }) => weight !== 'none');
  const deciding = wanted.filter(({ weight }) => weight === 'decides');
  const largest = (deciding.length > 0 ? deciding : wanted).toSorted((a, b) => b.energyWh - a.energyWh)[0];
  return {
    plan,
    settings,
    members,
    backupSet: members.map(({ load }) => load),
    powerSet,
    stages,
    hourlyWh: stages[0]!.hourlyWh,
    power: powerDemand(plan.supply.system, powerSet, settings.coincidence.value),
    ownSolarWh,
    peakPriceWh,
    dailyGoal: largest?.goal ?? null,
    dailyWh: largest?.energyWh ?? 0,
    dailyBinding: deciding.length > 0,
  };
}
