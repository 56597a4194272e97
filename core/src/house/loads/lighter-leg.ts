import { type Leg, legShare, type SupplySystem, systemFacts } from '../../electric/index.js';
import type { Load } from './load.schema.js';
import { runningPowerVA } from './running-power.js';

/** The leg that carries least when every load runs; the first of equals. A place for a load whose leg nobody has said. */
export function lighterLeg(
  system: SupplySystem,
  loads: readonly Pick<Load, 'legs' | 'quantity' | 'runningPowerW' | 'powerFactor'>[],
): Leg {
  const onLeg = (leg: Leg): number =>
    loads.reduce(
      (sum, load) => sum + load.quantity * runningPowerVA(load) * legShare(system, load.legs, leg),
      0,
    );
  return systemFacts[system].legs
    .map((leg) => ({ leg, powerVA: onLeg(leg) }))
    .reduce((best, next) => (next.powerVA < best.powerVA - 1e-9 ? next : best)).leg;
}
