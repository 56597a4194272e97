import { countsInPower, energyStages, membersOf } from '../backup/power-members.js';
import { powerDemand } from '../demand/power-demand.js';
import type { Job } from '../job/job.schema.js';
import { settingsOf } from '../job/settings.js';
import { dayPartFacts } from '../load/day-parts.js';
import type { DayPart } from '../load/load.schema.js';
import { plannedLoad } from '../load/planned-load.js';
import { sumHourlyEnergyWh } from '../load/sum-hourly-energy.js';
import type { DemandContext } from './demand-context.js';

/**
 * Works out what a job asks of any stack: energy by hour, power, starts, and the daily goals.
 *
 * Own solar: the smaller of evening and night consumption of the whole house and the surplus solar there is to store.
 * Peak price: consumption of the evening (16–22).
 */
export function demandContextOf(job: Job): DemandContext {
  const settings = settingsOf(job);
  const { goals } = job.brief;
  const planned = job.brief.plannedAdditions
    .filter(({ countIn }) => countIn)
    .map((addition) => plannedLoad(addition, job.supply.system));
  const members = membersOf(job, planned);
  const powerSet = members.filter(countsInPower).map(({ load }) => load);
  const season = settings.designSeason.value;
  const stages = energyStages(members, season, settings.handsOn.value);
  const houseWh = sumHourlyEnergyWh([...job.loads, ...planned], season);
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
    job,
    settings,
    members,
    backupSet: members.map(({ load }) => load),
    powerSet,
    stages,
    hourlyWh: stages[0]!.hourlyWh,
    power: powerDemand(job.supply.system, powerSet, settings.coincidence.value),
    ownSolarWh,
    peakPriceWh,
    dailyGoal: largest?.goal ?? null,
    dailyWh: largest?.energyWh ?? 0,
    dailyBinding: deciding.length > 0,
  };
}
