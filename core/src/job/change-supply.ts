import { remapLegs } from '../supply/remap-legs.js';
import type { SupplySystem } from '../supply/supply.schema.js';
import type { Job } from './job.schema.js';

/**
 * The job on another supply, which has other legs and other units: loads and arrays move to the nearest legs there are, and
 * chosen stacks are given up.
 */
export function changeSupply(job: Job, system: SupplySystem): Job {
  return {
    ...job,
    supply: { ...job.supply, system },
    loads: job.loads.map((load) => {
      const legs = remapLegs(system, load.legs);
      return legs === load.legs ? load : { ...load, legs, legsAssumed: true };
    }),
    outage: {
      ...job.outage,
      arrays: job.outage.arrays.map((array) => ({ ...array, legs: remapLegs(system, array.legs) })),
    },
    design: { chosen: null, others: [] },
  };
}
