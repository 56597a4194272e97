import { groupBy } from '../../base/index.js';
import type { Load } from './load.schema.js';

/** Loads by the circuit they hang on; those on none under null. */
export const loadsByCircuit = (loads: readonly Load[]): ReadonlyMap<string | null, readonly Load[]> =>
  groupBy(loads, ({ circuitId }) => circuitId);
