import type { Lot } from '../../house/index.js';
import type { Placement } from './placement.schema.js';

/** A lot, and what is put on its walls. */
export interface PlacedOnLot {
  readonly lot: Lot;
  readonly placement: Placement;
}
