import { apparentPowerVA } from './apparent-power.js';
import type { LegSet } from './legs.js';

/**
 * Current in each conductor that carries an apparent power: {@link apparentPowerVA} the other way round.
 *
 * @param voltageV voltage across the load (line to line where it sits on more than one leg)
 * @param powerVA apparent power in VA; watts where the power factor is one
 * @param legs the legs it sits on
 * @returns current in A
 * @example currentA(240, 2400, 'L1-L2') // 10
 */
export const currentA = (voltageV: number, powerVA: number, legs: LegSet): number =>
  powerVA / apparentPowerVA(voltageV, 1, legs);
