import type { Plan } from '../../design/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { simulateDesign, type SimulatedHouse } from '../../simulator/index.js';
import type { OutageHardware } from '../../study/details.js';
import { designedBattery } from '../staged/designed-battery.js';
import type { DesignInHand } from '../steps/design-in-hand.js';
import { inHand } from './in-hand.js';

/** A house with the units that are chosen for it, as it would be put into service. */
export interface BuiltHouse {
  readonly design: DesignInHand;
  readonly islandId: string;
  readonly hardware: OutageHardware;
  /** It as if it were built, from a minute of the year on, with a truth by its seed. */
  readonly simulate: (seed: number, fromMinute: number, charge: number, years?: number) => SimulatedHouse;
}

/** The first island of a plan with the units that are chosen for it. */
export function builtHouse(plan: Plan): BuiltHouse {
  const design = inHand(plan);
  const { island, stack } = design.islands[0]!;
  const study = { plan, islandId: island.id, parts: stack!.parts, weather: null };
  return {
    design,
    islandId: island.id,
    hardware: designedBattery(plan, island, stack!),
    simulate: (seed, fromMinute, charge, years = 0) =>
      simulateDesign(study, builtInCatalogue, { seed, fromMinute, charge, years })!,
  };
}
