import type { EnergyStage, Member } from '../demand/power-members.js';
import type { PowerDemand } from '../demand/power-demand.js';
import type { Load } from '../../house/index.js';
import type { Plan, Settings } from '../../design/index.js';

/** Everything a stack is judged against; the same for every stack of a job. */
export interface DemandContext {
  readonly plan: Plan;
  readonly settings: Settings;
  /** The backup set with where each load stands, planned additions that are counted in included. */
  readonly members: readonly Member[];
  /** Its loads, in whatever lane. */
  readonly backupSet: readonly Load[];
  /** The loads that count when power is checked. */
  readonly powerSet: readonly Load[];
  /** Energy in each clock hour of the design season, as circuits are shed by state of charge. */
  readonly stages: readonly EnergyStage[];
  /** The same before anything is shed by state of charge, Wh. */
  readonly hourlyWh: Float64Array;
  readonly power: PowerDemand;
  /** AC energy the battery should give on a usual day, by goal; 0 where the goal does not apply. */
  readonly ownSolarWh: number;
  readonly peakPriceWh: number;
  /** What decides the daily requirement. */
  readonly dailyGoal: 'own solar' | 'peak price' | null;
  readonly dailyWh: number;
  readonly dailyBinding: boolean;
}
