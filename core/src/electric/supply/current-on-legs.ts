import { currentA } from './current.js';
import type { LegSet } from './legs.js';
import { supplyVoltageV } from './supply-voltage.js';
import type { SupplySystem } from './supply.schema.js';

/**
 * Current of an apparent power on the legs of a supply, in A: {@link currentA} at the nominal voltage across them.
 *
 * @param powerVA apparent power in VA; watts where the power factor is one
 * @example currentOnLegsA('split-120-240', 2400, 'L1-L2') // 10
 */
export const currentOnLegsA = (system: SupplySystem, powerVA: number, legs: LegSet): number =>
  currentA(supplyVoltageV(system, legs), powerVA, legs);
