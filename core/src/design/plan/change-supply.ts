import { remapLegs, type SupplySystem, supplyVoltageV } from '../../electric/index.js';
import { startAtVoltage } from '../../house/index.js';
import type { Plan } from './plan.js';

/**
 * The job on another supply, which has other legs and other units: loads and arrays move to the nearest legs there are,
 * locked-rotor amperes follow the voltage, and chosen stacks are given up.
 */
export function changeSupply<P extends Plan>(plan: P, system: SupplySystem): P {
  const { generator } = plan.sources;
  return {
    ...plan,
    supply: { ...plan.supply, system },
    loads: plan.loads.map((load) => {
      const legs = remapLegs(system, load.legs);
      const start =
        load.voltageV === null
          ? startAtVoltage(
              load.start,
              supplyVoltageV(plan.supply.system, load.legs),
              supplyVoltageV(system, legs),
            )
          : load.start;
      if (legs === load.legs) return start === load.start ? load : { ...load, start };
      return { ...load, start, legs, legsAssumed: true };
    }),
    sources: {
      ...plan.sources,
      arrays: plan.sources.arrays.map((array) => ({ ...array, legs: remapLegs(system, array.legs) })),
      generator: generator?.legs ? { ...generator, legs: remapLegs(system, generator.legs) } : generator,
    },
    equipment: { ...plan.equipment, stacks: [] },
  };
}
