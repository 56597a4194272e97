import type { Source } from '../../base/index.js';
import type { Stack } from '../../equipment/index.js';

/** Where a rating of a stack comes from that a staged outage tells too: from that where there was one, else from the data of its inverter. */
export function ratingSource({ inverter, measured }: Stack, of: 'efficiency' | 'stand-by'): Source {
  const isMeasured = measured !== null && (of === 'efficiency' || measured.values.standbyW !== null);
  return isMeasured ? { kind: 'measured' } : { kind: 'catalogue', unit: inverter.name };
}
