import type { Circuit, Panel } from './panel.schema.js';

/** The halves of a space a breaker fills in each of the spaces it takes. */
function halvesOf({ spaces, half }: Pick<Circuit, 'spaces' | 'half'>): string[] {
  return spaces.flatMap((space, pole) => {
    if (half === null) return [`${space}a`, `${space}b`];
    // The outer pair of a quad sits in the upper half of one space and the lower half of the next; the inner pair between.
    const lower = (half === 'b') !== (pole % 2 === 1);
    return [`${space}${lower ? 'b' : 'a'}`];
  });
}

/** Which breakers fill which half spaces: key "7a" or "7b". More than one breaker in a list is one too many. */
export function occupiedSpaces(panel: Pick<Panel, 'circuits'>): Map<string, Circuit[]> {
  const map = new Map<string, Circuit[]>();
  for (const circuit of panel.circuits) {
    for (const key of halvesOf(circuit)) map.set(key, [...(map.get(key) ?? []), circuit]);
  }
  return map;
}

/** The breakers in a space, upper half first, each once. */
export function breakersIn(panel: Pick<Panel, 'circuits'>, space: number): Circuit[] {
  return panel.circuits
    .filter(({ spaces }) => spaces.includes(space))
    .toSorted((a, b) => (a.half ?? 'a').localeCompare(b.half ?? 'a'));
}

/** True where a breaker fits into its spaces beside the others of the panel. */
export function fitsInto(panel: Panel, circuit: Circuit): boolean {
  const others = occupiedSpaces({ circuits: panel.circuits.filter(({ id }) => id !== circuit.id) });
  return (
    circuit.spaces.every((space) => space >= 1 && space <= panel.spaces) &&
    halvesOf(circuit).every((key) => !others.has(key))
  );
}

/** Spaces with no breaker in them. */
export function freeSpaces(panel: Pick<Panel, 'circuits' | 'spaces'>): number[] {
  const taken = new Set(panel.circuits.flatMap(({ spaces }) => spaces));
  return Array.from({ length: panel.spaces }, (_, i) => i + 1).filter((space) => !taken.has(space));
}
