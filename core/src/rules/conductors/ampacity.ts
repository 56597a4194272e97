import { type Conductor, isMetricSize } from '../../electric/index.js';
import { iecAmpacityThreeA, iecAmpacityTwoA } from './iec-ampacity.js';
import { type ColumnC, necAmpacityA } from './nec-ampacity.js';

/** What decides which column of an ampacity table counts. */
export interface ConductorUse {
  /** American sizes: the column. */
  readonly columnC: ColumnC;
  /** Metric sizes: conductors that carry load, two in a single-phase circuit and three in a three-phase one. */
  readonly loaded: 2 | 3;
}

/**
 * Ampacity of a conductor in A before corrections for heat and bundling; null where the table has none for that material.
 *
 * @example ampacityA({ material: 'copper', size: '6 AWG' }, { columnC: 75, loaded: 2 }) // 65
 */
export function ampacityA(
  { size, material }: Pick<Conductor, 'size' | 'material'>,
  { columnC, loaded }: ConductorUse,
): number | null {
  const isCopper = material === 'copper';
  if (isMetricSize(size)) {
    return (loaded === 3 ? iecAmpacityThreeA : iecAmpacityTwoA).values[size][isCopper ? 0 : 1];
  }
  return necAmpacityA.values[size][(isCopper ? 0 : 2) + (columnC === 60 ? 0 : 1)]!;
}
