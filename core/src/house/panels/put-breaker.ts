import type { CircuitEntry } from './circuit-entry.js';
import { newCircuit } from './new-panel.js';
import { breakersIn, fitsInto } from './occupied-spaces.js';
import type { Circuit, Panel } from './panel.schema.js';
import { spacesFrom } from './space-place.js';

export type PutBreaker =
  | { readonly ok: true; readonly panel: Panel; readonly circuitId: string }
  | { readonly ok: false; readonly message: string };

/**
 * Puts what was typed for a space into the panel: changes the breaker that begins there, or adds one; two entries make a tandem.
 *
 * Everything about a breaker that the entry does not say is kept.
 */
export function putBreaker(
  panel: Panel,
  space: number,
  entries: readonly CircuitEntry[],
  makeId: () => string,
): PutBreaker {
  const here = breakersIn(panel, space).filter(({ spaces }) => spaces[0] === space);
  let next: Panel = { ...panel, circuits: panel.circuits.filter((circuit) => !here.includes(circuit)) };
  let circuitId = '';
  for (const [index, entry] of entries.entries()) {
    const before: Circuit | undefined = here[index];
    const poles = before && before.spaces.length === entry.poles;
    const spaces = poles ? before.spaces : spacesFrom(panel, space, entry.poles);
    if (!spaces) return { ok: false, message: `${entry.poles} poles do not fit from space ${space}` };
    const circuit: Circuit = {
      ...(before ?? newCircuit(makeId(), spaces)),
      name: entry.name,
      use: entry.use,
      ratingA: entry.ratingA,
      protection: entry.protection,
      conductor: entry.conductor,
      spaces,
      half: entries.length > 1 ? (index === 0 ? 'a' : 'b') : null,
    };
    next = { ...next, circuits: [...next.circuits, circuit] };
    if (!fitsInto(next, circuit)) {
      const other = circuit.spaces
        .flatMap((one) => breakersIn(next, one))
        .find(({ id }) => id !== circuit.id);
      return {
        ok: false,
        message: other
          ? `Space ${other.spaces.join(', ')} is taken by ${other.name || other.use}: move it first`
          : `The panel has ${panel.spaces} spaces`,
      };
    }
    if (index === 0) circuitId = circuit.id;
  }
  return { ok: true, panel: next, circuitId };
}
