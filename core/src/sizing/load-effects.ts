import { dailyEnergyWh } from '../load/daily-energy.js';
import { hourlyEnergyWh } from '../load/hourly-energy.js';
import { runningPowerVA } from '../load/running-power.js';
import { startDemand } from '../starting/start-demand.js';
import type { DemandContext } from './demand-context.js';
import type { JudgedStack } from './judge-stack.js';
import { stackRuntime } from './stack-energy.js';

/** What one load means for the design. */
export interface LoadEffect {
  readonly loadId: string;
  /** On a day of the design season, all pieces. */
  readonly energyWhPerDay: number;
  /** All pieces running. */
  readonly runningVA: number;
  /** One piece starting; 0 for a load without a surge. */
  readonly startVA: number;
  /** Hours of runtime it costs, or would cost if it joined the backup set; null before there is a stack. */
  readonly runtimeCostH: number | null;
}

/** The effect of each load of a job on energy, power, start and runtime. */
export function loadEffects(context: DemandContext, judged: JudgedStack | null): Map<string, LoadEffect> {
  const { job, settings, hourlyWh } = context;
  const season = settings.designSeason.value;
  const presentH = judged ? stackRuntime(judged.stack, judged.energy, hourlyWh).runtimeH : null;
  return new Map(
    job.loads.map((load) => {
      let runtimeCostH: number | null = null;
      if (judged && presentH !== null) {
        const own = hourlyEnergyWh(load, season);
        const sign = load.inBackupSet ? -1 : 1;
        const other = hourlyWh.map((wh, hour) => Math.max(0, wh + sign * own[hour]!));
        const otherH = stackRuntime(judged.stack, judged.energy, other).runtimeH;
        runtimeCostH = Math.max(0, Math.abs(presentH - otherH));
      }
      return [
        load.id,
        {
          loadId: load.id,
          energyWhPerDay: dailyEnergyWh(load, season),
          runningVA: load.quantity * runningPowerVA(load),
          startVA: startDemand(job.supply.system, load)?.startVA ?? 0,
          runtimeCostH,
        },
      ];
    }),
  );
}
