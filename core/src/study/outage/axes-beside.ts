import type { OverloadAxis } from '../demand/overload-axes.js';

/**
 * Limits while a generator runs in parallel with the inverter: what the generator carries is added, on every leg alike. A generator
 * has no overload worth counting on.
 *
 * @param axes whole first, then one for each leg
 * @param generatorW taken as volt-amperes too
 */
export const axesBeside = (axes: readonly OverloadAxis[], generatorW: number): OverloadAxis[] => {
  const legs = axes.length - 1;
  return axes.map(({ leg, levels }) => ({
    leg,
    levels: levels.map(({ aboveVA, heldS }) => ({
      aboveVA: aboveVA + (leg === 0 ? generatorW : generatorW / legs),
      heldS,
    })),
  }));
};
