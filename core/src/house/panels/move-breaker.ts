import { fitsInto } from './occupied-spaces.js';
import type { Circuit, Panel } from './panel.schema.js';
import { spacesFrom } from './space-place.js';

const replace = (panel: Panel, changed: readonly Circuit[]): Panel => ({
  ...panel,
  circuits: panel.circuits.map((circuit) => changed.find(({ id }) => id === circuit.id) ?? circuit),
});

/** A breaker with its first pole in another space; null where its poles do not fit into the column. */
const at = (panel: Panel, circuit: Circuit, space: number): Circuit | null => {
  const spaces = spacesFrom(panel, space, circuit.spaces.length);
  return spaces && { ...circuit, spaces };
};

/**
 * Moves a breaker to another space. What sits there changes places with it where that fits.
 *
 * @returns the panel, or null where the move is not possible
 */
export function moveBreaker(panel: Panel, circuitId: string, toSpace: number): Panel | null {
  const circuit = panel.circuits.find(({ id }) => id === circuitId);
  if (!circuit || circuit.spaces[0] === toSpace) return null;
  const moved = at(panel, circuit, toSpace);
  if (!moved) return null;
  const alone = replace(panel, [moved]);
  if (fitsInto(alone, moved)) return alone;
  const inTheWay = panel.circuits.filter(
    (other) => other.id !== circuitId && other.spaces.some((space) => moved.spaces.includes(space)),
  );
  // Breakers in the way keep their order in the spaces that become free.
  const shift = new Map(moved.spaces.map((space, pole) => [space, circuit.spaces[pole]!]));
  const swapped = inTheWay.map((other): Circuit | null => {
    const spaces = other.spaces.map((space) => shift.get(space));
    return spaces.some((space) => space === undefined) ? null : { ...other, spaces: spaces as number[] };
  });
  if (swapped.some((other) => other === null)) return null;
  const result = replace(panel, [moved, ...(swapped as Circuit[])]);
  return [moved, ...(swapped as Circuit[])].every((one) => fitsInto(result, one)) ? result : null;
}
