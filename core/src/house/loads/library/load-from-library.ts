import { type LegSet, type SupplySystem, systemFacts } from '../../../electric/index.js';
import type { TypicalLoad } from './typical-load.js';
import { lighterLeg } from '../lighter-leg.js';
import type { Load } from '../load.schema.js';

const legsFor = (typical: TypicalLoad, system: SupplySystem, loads: readonly Load[]): LegSet => {
  const { legSets, legVoltageV } = systemFacts[system];
  if (typical.wiring === 'three' && legSets.includes('L1-L2-L3')) return 'L1-L2-L3';
  if (typical.wiring !== 'plug' && legVoltageV === 120) return 'L1-L2';
  return lighterLeg(system, loads);
};

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
  const { wiring: _, ...values } = typical;
  return {
    ...values,
    id,
    use: {
      winter: { ...typical.use.winter },
      shoulder: { ...typical.use.shoulder },
      summer: { ...typical.use.summer },
    },
    legs: legsFor(typical, system, loads),
    legsAssumed: true,
    voltageV: null,
    basis: 'typical',
    circuitId: null,
    measuredOn: null,
    cyclesPerHour: null,
    restartDelayS: null,
    note: '',
  };
}
