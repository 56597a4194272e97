import {
  isAmerican,
  type LegSet,
  type SupplySystem,
  supplyVoltageV,
  systemFacts,
} from '../../../electric/index.js';
import { libraryValues } from './library-values.js';
import type { TypicalLoad } from './typical-load.js';
import { lighterLeg } from '../lighter-leg.js';
import type { Load } from '../load.schema.js';
import { startAtVoltage } from '../start-at-voltage.js';

const legsFor = (typical: TypicalLoad, system: SupplySystem, loads: readonly Load[]): LegSet => {
  const { legSets } = systemFacts[system];
  if (typical.wiring === 'three' && legSets.includes('L1-L2-L3')) return 'L1-L2-L3';
  if (typical.wiring !== 'plug' && isAmerican(system)) return 'L1-L2';
  return lighterLeg(system, loads);
};

/** Voltage that the locked-rotor amperes of the library belong to. */
const statedV: Readonly<Record<TypicalLoad['wiring'], number>> = { plug: 120, line: 240, three: 240 };

/**
 * A load of a job from an entry of the library: must and should go into the backup set, and a plug-in load is put on
 * the lighter leg until somebody says which it is on.
 *
 * @param loads the loads already there
 */
export function loadFromLibrary(
  typical: TypicalLoad,
  id: string,
  system: SupplySystem,
  loads: readonly Load[],
): Load {
  const legs = legsFor(typical, system, loads);
  return {
    ...libraryValues(typical),
    start: startAtVoltage(typical.start, statedV[typical.wiring], supplyVoltageV(system, legs)),
    id,
    legs,
    legsAssumed: true,
    circuitId: null,
  };
}
