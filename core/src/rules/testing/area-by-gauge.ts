import type { AmericanSize } from '../../electric/index.js';

/** Area in circular mils by the definition of the American wire gauge (ASTM B258): 5 mil at No. 36, 460 mil at 4/0, 39 equal steps between; kcmil as named. */
export function areaByGauge(size: AmericanSize): number {
  if (size.endsWith('kcmil')) return 1000 * Number.parseFloat(size);
  const [name] = size.split(' ') as [string];
  const gauge = name.endsWith('/0') ? 1 - Number.parseInt(name, 10) : Number(name);
  return (5 * 92 ** ((36 - gauge) / 39)) ** 2;
}
