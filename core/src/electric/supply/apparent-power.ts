import { legsOf, type LegSet } from './legs.js';

/**
 * Apparent power of a current drawn by a load.
 *
 * S = V · I on one leg or between two, S = √3 · V · I on three phases.
 *
 * @param voltageV voltage across the load (line to line where it sits on more than one leg)
 * @param currentA current in each conductor
 * @param legs the legs it sits on
 * @returns apparent power in VA
 * @example apparentPowerVA(240, 10, 'L1-L2') // 2400
 */
export function apparentPowerVA(voltageV: number, currentA: number, legs: LegSet): number {
  return (legsOf(legs).length === 3 ? Math.sqrt(3) : 1) * voltageV * currentA;
}
