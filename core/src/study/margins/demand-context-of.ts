import { countsInPower, energyStages, membersOf } from '../demand/power-members.js';
import { powerDemand } from '../demand/power-demand.js';
import { type DayPart, dayPartFacts, sumHourlyEnergyWh } from '../../house/index.js';
import { type GoalWeight, type Plan, plannedLoads, settingsOf, withSoftStarts } from '../../design/index.js';
import type { DailyGoal, DemandContext } from './demand-context.js';

/**
 * Works out what a job asks of any stack: energy by hour, power, starts (with the soft starters of the design), and the daily goals.
 */
export function demandContextOf(asDesigned: Plan): DemandContext {
  const plan = withSoftStarts(asDesigned);
  const settings = settingsOf(plan);
  const { goals } = plan.brief;
  const planned = plannedLoads(plan);
  const members = membersOf(plan, planned);
  const powerSet = members.filter(countsInPower).map(({ load }) => load);
  const season = settings.designSeason.value;
  const stages = energyStages(members, season, settings.handsOn.value);
  // What waits for spare sun takes nothing of an evening or a night.
  const daily = plan.loads.filter(({ surplusOnly }) => !surplusOnly);
  const houseWh = sumHourlyEnergyWh([...daily, ...planned], season);
  const during = (...parts: DayPart[]): number =>
    parts.flatMap((part) => [...dayPartFacts[part].hours]).reduce((sum, hour) => sum + houseWh[hour]!, 0);
  const weights: readonly (readonly [DailyGoal, GoalWeight])[] = [
    ['own solar', goals.ownSolar],
    ['peak price', goals.peakPrice],
  ];
  const goalsThat = (weight: GoalWeight): DailyGoal[] =>
    weights.filter(([, of]) => of === weight).map(([goal]) => goal);
  const deciding = goalsThat('decides');
  return {
    plan,
    settings,
    members,
    backupSet: members.map(({ load }) => load),
    powerSet,
    stages,
    hourlyWh: stages[0]!.hourlyWh,
    power: powerDemand(plan.supply.system, powerSet, settings.coincidence.value),
    dailyGoals: deciding.length > 0 ? deciding : goalsThat('counts'),
    eveningWh: during('evening'),
    nightWh: during('night'),
    dailyBinding: deciding.length > 0,
  };
}
