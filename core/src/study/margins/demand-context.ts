import type { EnergyStage, Member } from '../demand/power-members.js';
import type { PowerDemand } from '../demand/power-demand.js';
import type { Load } from '../../house/index.js';
import type { Plan, Settings } from '../../design/index.js';

/** Everything a stack is judged against; the same for every stack of a job. */
export type DailyGoal = 'own solar' | 'peak price';

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
  /** The goals of daily use that count here: those that decide, else those that count. */
  readonly dailyGoals: readonly DailyGoal[];
  /** Consumption of the whole house on a usual day, from 16 to 22 and from 22 to 6. */
  readonly eveningWh: number;
  readonly nightWh: number;
  readonly dailyBinding: boolean;
}
