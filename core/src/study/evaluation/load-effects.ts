import { countsAtShare, stagesChanged } from '../demand/power-members.js';
import { dailyEnergyWh, hourlyEnergyWh, type Load, runningPowerVA } from '../../house/index.js';
import { startDemand } from '../starts/start-demand.js';
import type { DemandContext } from '../margins/demand-context.js';
import type { JudgedStack } from './judge-stack.js';
import { stackRuntime } from '../margins/stack-energy.js';

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
  /** By the closed formula; nothing was simulated for it yet. */
  readonly runtimeRough: boolean;
}

/**
 * The effect of each load of a job on energy, power, start and runtime; loads that another source carries cost this one no
 * runtime.
 *
 * @param shiftsH hours the runtime changes, as simulated, when a load changes its standing; by the closed formula where none is given
 */
export function loadEffects(
  context: DemandContext,
  judged: JudgedStack | null,
  loads: readonly Load[] = context.plan.loads,
  shiftsH: ReadonlyMap<string, number> = new Map(),
): Map<string, LoadEffect> {
  const behind = new Set(context.plan.loads);
  const { plan, settings, members, stages } = context;
  const standing = new Map(members.map((member) => [member.load, member]));
  const season = settings.designSeason.value;
  const presentH = judged ? stackRuntime(judged.stack, judged.energy, stages).runtimeH : null;
  return new Map(
    loads.map((load) => {
      let runtimeCostH: number | null = null;
      const shiftH = shiftsH.get(load.id);
      if (shiftH !== undefined && behind.has(load)) runtimeCostH = Math.abs(shiftH);
      else if (judged && presentH !== null && behind.has(load)) {
        const own = hourlyEnergyWh(load, season);
        const member = standing.get(load);
        const other = member
          ? stagesChanged(stages, own, -1, (share) => countsAtShare(member, settings.handsOn.value, share))
          : stagesChanged(stages, own, 1, () => true);
        const otherH = stackRuntime(judged.stack, judged.energy, other).runtimeH;
        runtimeCostH = Math.max(0, Math.abs(presentH - otherH));
      }
      return [
        load.id,
        {
          loadId: load.id,
          energyWhPerDay: dailyEnergyWh(load, season),
          runningVA: load.quantity * runningPowerVA(load),
          startVA: startDemand(plan.supply.system, load)?.startVA ?? 0,
          runtimeCostH,
          runtimeRough: runtimeCostH !== null && shiftH === undefined,
        },
      ];
    }),
  );
}
