import { dailyEnergyWh, type Load, sumHourlyEnergyWh } from '../../house/index.js';
import { connectedVA } from '../../house/details.js';
import type { BenchItem } from '../../design/index.js';
import type { DemandContext } from '../margins/demand-context.js';
import type { JudgedStack } from '../evaluation/judge-stack.js';
import { stackRuntime } from '../margins/stack-energy.js';
import { startDemand } from '../starts/start-demand.js';
import { leaveOneOut } from './limits/leave-one-out.js';
import { countsAtShare, countsInPower, stagesChanged } from '../demand/power-members.js';
import { SetLimits, type BrokenLimit, type GrowingSet } from './limits/set-limits.js';

/** What one circuit means for the design. */
export interface ItemEffect {
  readonly id: string;
  /** Some of its loads count when power is checked. */
  readonly counted: boolean;
  /** On a day of the design season. */
  readonly energyWhPerDay: number;
  /** All its loads running. */
  readonly runningVA: number;
  /** Its hardest start; 0 without one. */
  readonly startVA: number;
  /** Hours of runtime it costs, or would cost if it stayed on; null before there is a stack. */
  readonly runtimeCostH: number | null;
  /** By the closed formula; nothing was simulated for it yet. */
  readonly runtimeRough: boolean;
  /** Dark or shed: limits that hold now and would break if it stayed on. */
  readonly wouldBreak: readonly BrokenLimit[];
  /** Counted now: limits that are broken and would hold without it. */
  readonly wouldMend: readonly BrokenLimit[];
}

/**
 * The effect of each circuit on hours, kilowatts and limits of power, beside the present set. Hours are those of the closed formula,
 * see {@link withShifts}.
 */
export function itemEffects(
  context: DemandContext,
  judged: JudgedStack | null,
  items: readonly BenchItem[],
): Map<string, ItemEffect> {
  const { plan, settings, members, stages } = context;
  const season = settings.designSeason.value;
  const handsOn = settings.handsOn.value;
  const standing = new Map(members.map((member) => [member.load.id, member]));
  const loads = [...new Set([...members.map(({ load }) => load), ...items.flatMap((item) => item.loads)])];
  const index = new Map(loads.map((load, i) => [load.id, i]));
  const indicesOf = (some: readonly Load[]): number[] => some.map(({ id }) => index.get(id)!);
  const inPower = members.filter(countsInPower).map(({ load }) => load);
  const roughH = judged ? stackRuntime(judged.stack, judged.energy, stages).runtimeH : null;
  const limits = judged ? new SetLimits(context, judged.stack, judged.energy, loads) : null;
  const present = limits ? limits.with(limits.empty(), indicesOf(inPower)) : null;
  const brokenNow = limits && present ? powerBroken(limits, present) : [];
  const isCounted = new Set(inPower.map(({ id }) => id));
  const countedOf = (item: BenchItem): Load[] => item.loads.filter(({ id }) => isCounted.has(id));
  /** What is still broken without an item; looked for only where something is. */
  const stillBroken = new Map<string, readonly BrokenLimit[]>();
  if (limits && brokenNow.length > 0) {
    const counting = items.filter((item) => countedOf(item).length > 0);
    const inItems = new Set(counting.flatMap((item) => countedOf(item).map(({ id }) => id)));
    const base = limits.with(limits.empty(), indicesOf(inPower.filter(({ id }) => !inItems.has(id))));
    const groups = counting.map((item) => indicesOf(countedOf(item)));
    leaveOneOut(limits, groups, base, (group, others) => {
      stillBroken.set(counting[group]!.id, powerBroken(limits, others));
    });
  }

  const costOf = (item: BenchItem): number | null => {
    if (!judged || roughH === null) return null;
    const counted = item.loads.filter(({ id }) => standing.has(id));
    const own = counted.length > 0 ? counted : item.loads;
    const hourly = sumHourlyEnergyWh(own, season);
    const member = counted[0] ? standing.get(counted[0].id)! : null;
    const fully = member && countsAtShare(member, handsOn, 0.001) ? member : null;
    const partly = member && !fully && countsAtShare(member, handsOn, 1) ? member : null;
    // What counts now is taken away; what does not, or only until it is shed, is let stay on.
    const other = fully
      ? stagesChanged(stages, hourly, -1, () => true)
      : stagesChanged(stages, hourly, 1, (share) => !(partly && countsAtShare(partly, handsOn, share)));
    const otherH = stackRuntime(judged.stack, judged.energy, other).runtimeH;
    return roughH === otherH ? 0 : Math.abs(roughH - otherH);
  };

  return new Map(
    items.map((item) => {
      const costH = costOf(item);
      const counts = countedOf(item);
      const joining = item.loads.filter((load) => !counts.includes(load));
      let wouldBreak: BrokenLimit[] = [];
      let wouldMend: BrokenLimit[] = [];
      if (limits && present) {
        if (mayJoin(item)) {
          const withIt = limits.with(present, indicesOf(joining));
          wouldBreak = powerBroken(limits, withIt).filter((key) => !brokenNow.includes(key));
        }
        if (counts.length > 0 && brokenNow.length > 0) {
          const still = stillBroken.get(item.id) ?? [];
          wouldMend = brokenNow.filter((key) => !still.includes(key));
        }
      }
      return [
        item.id,
        {
          id: item.id,
          counted: counts.length > 0,
          energyWhPerDay: item.loads.reduce((sum, load) => sum + dailyEnergyWh(load, season), 0),
          runningVA: connectedVA(item.loads),
          startVA: Math.max(
            0,
            ...item.loads.map((load) => startDemand(plan.supply.system, load)?.startVA ?? 0),
          ),
          runtimeCostH: costH,
          runtimeRough: costH !== null,
          wouldBreak,
          wouldMend,
        },
      ];
    }),
  );
}

const powerBroken = (limits: SetLimits, set: GrowingSet): BrokenLimit[] =>
  limits.allBroken(set).filter((key) => key !== 'runtime');

/** Circuits that are off, and could stay on. */
const mayJoin = ({ lane, loads }: BenchItem): boolean => lane !== 'on' && lane !== 'hand' && loads.length > 0;

/**
 * The effects with simulated hours, and with what becomes of the required runtime: nothing is said about that by the closed formula.
 *
 * @param shiftsH hours the runtime changes, as simulated, when a circuit changes its standing
 */
export function withShifts(
  effects: ReadonlyMap<string, ItemEffect>,
  { plan, settings }: DemandContext,
  judged: JudgedStack | null,
  items: readonly BenchItem[],
  shiftsH: ReadonlyMap<string, number>,
): ReadonlyMap<string, ItemEffect> {
  const presentH = judged?.margins.find(({ key, rough }) => key === 'runtime' && !rough)?.limit.value;
  if (presentH === undefined || shiftsH.size === 0) return effects;
  const requiredH = settings.requiredRuntimeH.value;
  const decides = plan.brief.goals.outage === 'decides';
  const shifted = new Map(effects);
  for (const item of items) {
    const effect = effects.get(item.id);
    const shiftH = shiftsH.get(item.id);
    if (!effect || shiftH === undefined) continue;
    const otherH = presentH + shiftH;
    const breaks = decides && mayJoin(item) && presentH >= requiredH && otherH < requiredH;
    const mends = decides && effect.counted && presentH < requiredH && otherH >= requiredH;
    shifted.set(item.id, {
      ...effect,
      runtimeCostH: Math.abs(shiftH),
      runtimeRough: false,
      wouldBreak: breaks ? ['runtime', ...effect.wouldBreak] : effect.wouldBreak,
      wouldMend: mends ? ['runtime', ...effect.wouldMend] : effect.wouldMend,
    });
  }
  return shifted;
}
