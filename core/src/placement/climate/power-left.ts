import type { UnitBody } from '../../equipment/index.js';

/**
 * Share of its power an inverter keeps at a temperature of its cabinet, as its data sheet says; 1 where it says nothing. Beyond the temperatures it bears it gives none.
 *
 * @param temperatureC of the air around its cooling, °C
 */
export function powerLeftAt(
  {
    coldestC,
    hottestC,
    derateAboveC,
    deratePerC,
  }: Pick<UnitBody, 'coldestC' | 'hottestC' | 'derateAboveC' | 'deratePerC'>,
  temperatureC: number,
): number {
  if ((coldestC !== null && temperatureC < coldestC) || (hottestC !== null && temperatureC > hottestC))
    return 0;
  if (derateAboveC === null || deratePerC === null || temperatureC <= derateAboveC) return 1;
  return Math.max(0, 1 - deratePerC * (temperatureC - derateAboveC));
}
