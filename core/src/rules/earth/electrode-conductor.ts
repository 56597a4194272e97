import type { PublishedTable } from '../../base/index.js';
import type { AmericanSize, Conductor } from '../../electric/index.js';
import { circularMils } from './equipment-earth.js';

/** [largest service conductor, up to: copper, aluminium; the electrode conductor in copper]. */
export const electrodeConductors: PublishedTable<
  readonly (readonly [copper: AmericanSize, aluminium: AmericanSize, electrode: AmericanSize])[]
> = {
  title: 'Grounding electrode conductor',
  clause: 'Table 250.66',
  edition: 'NEC 2023',
  source: 'recalled',
  values: [
    ['2 AWG', '1/0 AWG', '8 AWG'],
    ['1/0 AWG', '3/0 AWG', '6 AWG'],
    ['3/0 AWG', '250 kcmil', '4 AWG'],
    ['350 kcmil', '500 kcmil', '2 AWG'],
  ],
};

/** To rods, pipes or plates alone it need not be larger, 250.66(A). */
export const rodsAloneSize: AmericanSize = '6 AWG';

/**
 * Copper conductor to the electrodes of a service.
 *
 * @param rodsOnly it goes to rods, pipes or plates alone
 * @returns null beyond the table
 */
export function electrodeConductor(
  service: { readonly size: AmericanSize; readonly material: Conductor['material'] },
  rodsOnly = false,
): AmericanSize | null {
  const { values: areas } = circularMils;
  const at = service.material === 'copper' ? 0 : 1;
  const found = electrodeConductors.values.find((row) => areas[service.size] <= areas[row[at]])?.[2] ?? null;
  if (!rodsOnly) return found;
  return found !== null && areas[found] < areas[rodsAloneSize] ? found : rodsAloneSize;
}
