import type { BackedUpHouse } from './backed-up-house.js';
import type { Circuit, Panel } from '../../house/index.js';

/** Circuits of a panel that share a neutral with one of these move with it; so does everything behind a feeder. */
export function movesWith(
  { survey }: Pick<BackedUpHouse, 'survey'>,
  circuitIds: Iterable<string>,
): Set<string> {
  const moving = new Set<string>();
  const take = (panel: Panel, circuit: Circuit): void => {
    if (moving.has(circuit.id)) return;
    moving.add(circuit.id);
    if (circuit.neutralGroup !== '') {
      for (const other of panel.circuits) {
        if (other.neutralGroup === circuit.neutralGroup) take(panel, other);
      }
    }
    for (const below of survey.panels) {
      if (below.fedFrom.kind === 'circuit' && below.fedFrom.circuitId === circuit.id) {
        for (const next of below.circuits) take(below, next);
      }
    }
  };
  const wanted = new Set(circuitIds);
  for (const panel of survey.panels) {
    for (const circuit of panel.circuits) if (wanted.has(circuit.id)) take(panel, circuit);
  }
  return moving;
}
