import type { Chemistry } from './chemistry.js';
import { interpolate } from '../../base/index.js';

/** Common practice, no source: full between 20 and 50 °C, some 10 % less at freezing. */
const lithium = [
  [-20, 0.7],
  [-10, 0.8],
  [0, 0.9],
  [10, 0.96],
  [20, 1],
  [50, 1],
  [60, 0.9],
] as const;

/** Reciprocals of the cell size correction factors of IEEE 485 (recalled); −20 °C is common practice, no source. */
const leadAcid = [
  [-20, 0.45],
  [-3.9, 1 / 1.52],
  [-1.1, 1 / 1.43],
  [1.7, 1 / 1.35],
  [4.4, 1 / 1.3],
  [10, 1 / 1.19],
  [15.6, 1 / 1.11],
  [21.1, 1 / 1.04],
  [25, 1],
] as const;

/**
 * Share of the rated capacity a battery gives at a temperature while it discharges.
 *
 * @param temperatureC temperature of the cells, °C
 * @returns 0 to 1
 */
export function temperatureFactor(chemistry: Chemistry, temperatureC: number): number {
  return interpolate(chemistry === 'lithium' ? lithium : leadAcid, temperatureC);
}
