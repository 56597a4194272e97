import { quantityText } from '../../base/index.js';
import { currentOnLegsA, type SupplySystem, systemFacts } from '../../electric/index.js';
import { continuousFactor } from '../../rules/index.js';
import type { AdditionKind, PlannedAddition } from './brief.schema.js';

/** What is done now for what comes later, so that nothing has to be torn up then (common practice, no source). */
const preparations: Readonly<Record<AdditionKind, readonly string[]>> = {
  load: ['Keep the spaces of its breaker free, and its share of the bus and of the service.'],
  inverter: [
    'Leave wall beside the first one, with its clearances, and spaces for its breaker in the combining panel.',
    'Size the isolating device, the combining panel and its feeder for both.',
    'Choose one that runs in parallel, and note its firmware.',
  ],
  battery: [
    'Leave wall or floor beside the first ones: rules of the place limit energy and spacing.',
    'Choose inverters whose inputs and cables take the larger bank, and ask the maker until when older and newer packs may be mixed.',
  ],
  array: [
    'Lay a raceway to the roof, and keep spaces or an input of the inverter for it.',
    'Keep its back-feed within what the bus allows.',
  ],
  generator: [
    'Lay a raceway to its place and keep an inlet, its breaker and an interlock in the plan.',
    'Choose an inverter with a generator port, or a transfer switch that can be added.',
  ],
};

/** Current a power draws on all legs of the supply, A. */
const ampsOf = (powerW: number, system: SupplySystem): number => {
  const legs = systemFacts[system].legSets.at(-1)!;
  return currentOnLegsA(system, powerW, legs);
};

/** Advice for an addition: what to prepare while the panels are open. */
export function prepareFor(addition: PlannedAddition, system: SupplySystem): readonly string[] {
  const { kind, runningPowerW } = addition;
  const lines = preparations[kind];
  if (kind === 'battery' || runningPowerW <= 0) return lines;
  const amps = continuousFactor * ampsOf(runningPowerW, system);
  return [
    ...lines,
    `${quantityText(runningPowerW, 'W')} running for hours ask for a breaker of at least ${quantityText(amps, 'A')} (125 %).`,
  ];
}
