import type { Load } from './load.schema.js';

/** Loads by the circuit they hang on; those on none under null. */
export function loadsByCircuit(loads: readonly Load[]): Map<string | null, Load[]> {
  const map = new Map<string | null, Load[]>();
  for (const load of loads) {
    const there = map.get(load.circuitId);
    if (there) there.push(load);
    else map.set(load.circuitId, [load]);
  }
  return map;
}
