import type { DemandContext } from '../margins/demand-context.js';
import { margin } from '../margins/margin.js';
import { continuousMargin } from '../margins/continuous-margin.js';
import { dailyMargin } from '../margins/daily-margin.js';
import { gapMargin } from '../margins/gap-margin.js';
import { legsMargin } from '../margins/legs-margin.js';
import { runtimeMargin } from '../margins/runtime-margin.js';
import { startingMargin } from '../margins/starting-margin.js';
import { stackEnergy, type StackEnergy } from '../margins/stack-energy.js';
import type { Stack } from '../../equipment/index.js';
import type { SeasonOutlook } from '../outage/outlook-of.js';
import { heldBy, type HeldMargins } from './held-by.js';
import { simulatedRuntimeMargin } from '../outage/simulated-runtime-margin.js';
import { withOverloadRisk } from '../outage/with-overload-risk.js';

/** A stack with its margins. */
export interface JudgedStack extends HeldMargins {
  readonly stack: Stack;
  readonly energy: StackEnergy;
  /** Outages were simulated for it. */
  readonly simulated: boolean;
}

/**
 * All margins of one stack under one demand. Nothing is known while the backup set is empty.
 *
 * @param outlook the outages the brief asks to get through, as simulated; null: the runtime is a rough one, by a closed formula
 */
export function judgeStack(
  context: DemandContext,
  stack: Stack,
  outlook: SeasonOutlook | null = null,
): JudgedStack {
  const energy = stackEnergy(stack, context.settings);
  const plain = [
    runtimeMargin(context, stack, energy),
    continuousMargin(context, stack),
    startingMargin(context, stack),
    legsMargin(context, stack),
    gapMargin(context, stack),
    dailyMargin(context, stack, energy),
  ].filter((known) => known !== null);
  if (context.backupSet.length === 0) {
    const unknown = plain.map((known) =>
      margin({ ...known, ratio: NaN, rough: false }, () => ({
        demand: known.demand,
        limit: known.limit,
        culprit: 'No load is in the backup set yet',
        cure: 'Put a load into the backup set.',
      })),
    );
    return { stack, energy, margins: unknown, lacks: [], meets: false, simulated: false };
  }
  const margins = outlook
    ? withOverloadRisk(plain, outlook).map((one) =>
        one.key === 'runtime' ? simulatedRuntimeMargin(context.settings, one, outlook) : one,
      )
    : plain;
  return { stack, energy, ...heldBy(margins), simulated: outlook !== null };
}
