import type { Tier } from '../../house/index.js';
import { eachSpan } from './each-span.js';
import type { OutagePlan } from './outage-plan.js';
import { servedTiers } from './outage-run.js';

/** What a tier wants in each minute, W. */
export interface TierWish {
  readonly tier: Tier;
  /** By the stage of shedding from which on it is off; the last one is never shed. */
  readonly byStage: readonly Float32Array[];
  /** Of this, what is switched off by hand while a generator runs. */
  readonly offBesideByStage: readonly Float32Array[];
  /** Left off because there was no room for it. */
  readonly noRoomW: Float32Array;
}

/**
 * What each tier of a house wants in a window of a plan.
 *
 * @param lead minutes of the plan before the window
 */
export function wantedByTier(plan: OutagePlan, lead: number, minutes: number): TierWish[] {
  const stageCount = plan.trace.demandW.length;
  const wishes = servedTiers.map((tier): TierWish => ({
    tier,
    byStage: Array.from({ length: stageCount + 1 }, () => new Float32Array(minutes)),
    offBesideByStage: Array.from(
      { length: plan.offBeside.size > 0 ? stageCount + 1 : 0 },
      () => new Float32Array(minutes),
    ),
    noRoomW: new Float32Array(minutes),
  }));
  for (const load of plan.house.loads) {
    const managed = plan.trace.managed.find(({ load: other }) => other === load)?.on;
    const wish = wishes.find(({ tier }) => tier === load.tier)!;
    const place = Math.min(load.offFromStage, stageCount);
    const own = wish.byStage[place]!;
    const offBeside = plan.offBeside.has(load.load.id) ? wish.offBesideByStage[place]! : null;
    eachSpan(load.cycles, plan.trace.fromMinute, minutes + lead, (from, to) => {
      for (let m = Math.floor(from); m < Math.ceil(to); m += 1) {
        const index = m - lead;
        if (index < 0 || index >= minutes) continue;
        const powerW = load.powerW * (Math.min(to, m + 1) - Math.max(from, m));
        if (managed && managed[m] !== 1) wish.noRoomW[index]! += powerW;
        else {
          own[index]! += powerW;
          if (offBeside) offBeside[index]! += powerW;
        }
      }
    });
  }
  return wishes;
}
