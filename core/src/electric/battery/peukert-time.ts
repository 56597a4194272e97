/**
 * Peukert's law: time until a lead-acid battery is flat at a constant current, t = H · (C / (I · H))^k.
 *
 * @param capacityAh capacity at the H-hour rate, Ah
 * @param ratedHours H, hours
 * @param exponent k, 1.1 to 1.3 for most lead-acid batteries
 * @param currentA discharge current, A
 * @returns hours
 * @example peukertTimeH(100, 20, 1.2, 5) // 20
 */
export function peukertTimeH(
  capacityAh: number,
  ratedHours: number,
  exponent: number,
  currentA: number,
): number {
  return ratedHours * (capacityAh / (currentA * ratedHours)) ** exponent;
}
