import type { Accepted } from '../catalogue/unit.schema.js';

/** How many of an accepted unit go with so many inverters. */
export function acceptedCount(
  { least, most, step, per }: Accepted,
  inverters: number,
): { readonly least: number; readonly most: number; readonly step: number } {
  const times = per === 'each' ? inverters : 1;
  return {
    least: Math.ceil((least * times) / step) * step,
    most: Math.floor((most * times) / step) * step,
    step,
  };
}
