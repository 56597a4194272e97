import { legsOf, type SupplySystem, systemFacts } from '../../electric/index.js';
import type { Generator } from '../../design/index.js';
import type { OverloadAxis } from '../output/overload-axes.js';
import type { PowerPart } from '../output/power-part.js';

/**
 * Limits while a generator runs. A generator has no overload worth counting on, and its watts are taken as volt-amperes.
 *
 * - beside: in parallel with the inverter; what it gives is added to every part, on the legs it feeds alike
 * - through: it carries the house alone, and inverter and battery rest
 * - charger: nothing changes for the loads
 *
 * @param axes those of the stack
 */
export function axesBeside(
  axes: readonly OverloadAxis[],
  { powerW, connection, legs }: Pick<Generator, 'powerW' | 'connection' | 'legs'>,
  system: SupplySystem,
): readonly OverloadAxis[] {
  if (connection === 'charger') return axes;
  const fed: readonly PowerPart[] = legs ? legsOf(legs) : systemFacts[system].legs;
  const givenOn = (part: PowerPart): number => {
    if (part === 'whole' || part === 'battery') return powerW;
    return fed.includes(part) ? powerW / fed.length : 0;
  };
  if (connection === 'beside')
    return axes.map(({ part, levels }) => ({
      part,
      levels: levels.map(({ aboveVA, heldS }) => ({ aboveVA: aboveVA + givenOn(part), heldS })),
    }));
  return axes
    .filter(({ part }) => part !== 'battery')
    .map(({ part }) => ({ part, levels: [{ aboveVA: givenOn(part), heldS: 0 }] }));
}
