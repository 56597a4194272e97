import { DemandDistribution, type Powers } from './demand-distribution.js';

/**
 * Demand of loads that cycle independently, not passed for a share of the time.
 *
 * @param powersVA apparent power of each load, VA
 * @param onShares share of the time each is on, 0 to 1
 * @param share share of the time the demand is not passed; 1 gives the plain sum of all that may run
 * @param without index of a load to leave out; -1 takes all
 * @returns apparent power in VA
 */
export function coincidentDemandVA(
  powersVA: Powers,
  onShares: ArrayLike<number>,
  share: number,
  without = -1,
): number {
  if (share < 1) return DemandDistribution.of(powersVA, onShares, without).quantileVA(share);
  let sumVA = 0;
  for (let i = 0; i < powersVA.length; i += 1) {
    if (i !== without && onShares[i]! > 0) sumVA += powersVA[i]!;
  }
  return sumVA;
}
