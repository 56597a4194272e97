import type { Battery } from '../catalogue/unit.schema.js';

/**
 * How fast a battery loses charge when it delivers a power: the power itself for lithium, and more than the power for
 * lead-acid above its rated rate.
 *
 * Peukert: t = H · (C / (I · H))^k. At constant power P the charge is gone after that time when it falls at the rate
 * P · (P · H / C)^(k−1). A rate slower than the rated one is not credited with more than the rated capacity.
 *
 * @param powerW power at the battery terminals, W
 * @param capacityWh capacity at the H-hour rate, aged and at temperature, Wh
 * @param peukert exponent and rated hours; null for a battery without the effect
 * @returns rate at which the rated capacity falls, W
 */
export function peukertDrainW(powerW: number, capacityWh: number, peukert: Battery['peukert']): number {
  if (peukert === null || powerW <= 0) return powerW;
  const rate = (powerW * peukert.ratedHours) / capacityWh;
  return rate <= 1 ? powerW : powerW * rate ** (peukert.exponent - 1);
}
