import { remapLegs, type SupplySystem } from '../../electric/index.js';
import type { Plan } from './plan.js';

/**
 * The job on another supply, which has other legs and other units: loads and arrays move to the nearest legs there are, and
 * chosen stacks are given up.
 */
export function changeSupply<P extends Plan>(plan: P, system: SupplySystem): P {
  return {
    ...plan,
    supply: { ...plan.supply, system },
    loads: plan.loads.map((load) => {
      const legs = remapLegs(system, load.legs);
      return legs === load.legs ? load : { ...load, legs, legsAssumed: true };
    }),
    sources: {
      ...plan.sources,
      arrays: plan.sources.arrays.map((array) => ({ ...array, legs: remapLegs(system, array.legs) })),
    },
    equipment: { ...plan.equipment, stacks: [] },
  };
}
