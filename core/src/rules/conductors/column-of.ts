import type { Conductor } from '../../electric/index.js';
import type { ColumnC } from './nec-ampacity.js';

/** Up to this rating terminals count for 60 °C unless they are marked otherwise: NEC 2023, 110.14(C)(1) (recalled). */
export const unmarkedUpToA = 100;

/**
 * The temperature column of a conductor: what was found on the wall (cable of type NM counts for 60 °C whatever its terminals
 * say, 334.80), else the one 110.14(C)(1) takes.
 *
 * @param ratingA rating of the breaker, A
 */
export function columnOf({ ratedC }: Conductor, ratingA: number): ColumnC {
  return ratedC ?? (ratingA <= unmarkedUpToA ? 60 : 75);
}
