import { usualReturnMin } from '../../design/index.js';
import { mostPowerW } from '../../equipment/index.js';
import type { OutageHardware } from '../../study/details.js';
import type { DesignInHand } from '../steps/design-in-hand.js';

/** What a staged outage is held against. */
export interface OutageExpectation {
  readonly usableWh: number;
  readonly nominalHz: number;
  /** The soonest array feeds again after this, s; null = there is no array. */
  readonly solarWaitsS: number | null;
  /** The grid is watched for this long, s. */
  readonly watchesS: number;
  /** What all units together give for as long as is wanted, W. */
  readonly carriesW: number;
  /** Charge at which the generator is started by itself, and how long it takes, s; null = there is none, or somebody starts it. */
  readonly generator: { readonly startBelow: number; readonly comesWithinS: number } | null;
}

/** What the design of an island says of an outage; null = nothing is chosen for it. */
export function expectationOf(
  { plan, islands }: DesignInHand,
  islandId: string,
  hardware: Pick<OutageHardware, 'usableWh'>,
): OutageExpectation | null {
  const stack = islands.find(({ island }) => island.id === islandId)?.stack;
  if (!stack) return null;
  const { arrays, generator } = plan.sources;
  const waits = arrays.map(({ returnsAfterMin }) => (returnsAfterMin ?? usualReturnMin) * 60);
  return {
    usableWh: hardware.usableWh,
    nominalHz: plan.supply.frequencyHz,
    solarWaitsS: waits.length === 0 ? null : Math.min(...waits),
    watchesS: stack.gridReturnMin * 60,
    carriesW: mostPowerW(stack),
    generator:
      generator && generator.start === 'auto'
        ? { startBelow: generator.startBelow, comesWithinS: (generator.warmUpMin + 10) * 60 }
        : null,
  };
}
