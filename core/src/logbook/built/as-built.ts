import type { Logbook } from '../../house/index.js';
import type { AsBuiltNote } from '../../wiring/index.js';
import { unitsNow } from './unit-now.js';

/** What a drawing says of a house as it was built. */
export interface AsBuilt {
  /** A mark each, at what it is about. */
  readonly notes: readonly AsBuiltNote[];
  /** Serial numbers, a line each. */
  readonly rows: readonly string[];
}

/** What a logbook has to say on a drawing: deviations from the design, and the serial numbers of what hangs there now. */
export const asBuiltOf = (logbook: Pick<Logbook, 'units' | 'visits' | 'deviations'>): AsBuilt => ({
  notes: logbook.deviations.map(({ aboutId, what, designed, built }) => ({
    about: aboutId,
    text: `${what}: ${built}${designed === '' ? '' : ` (designed: ${designed})`}`,
  })),
  rows: unitsNow(logbook).flatMap(({ unit, serial, firmware }) =>
    serial === '' ? [] : [`${unit.name}: S/N ${serial}${firmware === '' ? '' : `, firmware ${firmware}`}`],
  ),
});
