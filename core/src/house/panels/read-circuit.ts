import { circuitsById, type PlacedCircuit, spacesText } from './find-circuit.js';
import type { Survey } from './panel.schema.js';

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/**
 * How a circuit is called where a short word must do: its spaces, after the first word of the name of its panel where that is not the
 * first panel.
 */
export function circuitShortText({ panels }: Pick<Survey, 'panels'>, placed: PlacedCircuit): string {
  const spaces = spacesText(placed.circuit);
  return placed.panel.id === panels[0]?.id ? spaces : `${placed.panel.name.split(' ')[0]} ${spaces}`;
}

/**
 * The circuit that somebody names: by one of its spaces ("13"), with the panel before it where that is not the first ("Barn 13"), or
 * by its name as far as that is the only one that begins so.
 *
 * @returns id of the circuit; null for "" and "-", which place nothing; a message where nothing fits
 */
export function readCircuit(
  text: string,
  survey: Pick<Survey, 'panels'>,
):
  | { readonly ok: true; readonly circuitId: string | null }
  | { readonly ok: false; readonly message: string } {
  const said = plain(text);
  if (said === '' || said === '-' || said === '–') return { ok: true, circuitId: null };
  const circuits = [...circuitsById(survey).values()].filter(({ circuit }) => circuit.use !== 'spare');
  const found = (placed: PlacedCircuit) => ({ ok: true as const, circuitId: placed.circuit.id });
  const bySpace = /^(.*?)\s*(\d{1,2})([ab])?$/.exec(said);
  if (bySpace) {
    const [, name = '', number, half = null] = bySpace;
    const panels = survey.panels.filter((panel) => name === '' || plain(panel.name).startsWith(name));
    for (const { id } of panels) {
      const there = circuits.filter(
        ({ panel, circuit }) => panel.id === id && circuit.spaces.includes(Number(number)),
      );
      const one = there.find(({ circuit }) => half === null || circuit.half === half);
      if (one && (there.length === 1 || half !== null)) return found(one);
      if (one)
        return { ok: false, message: `Space ${number} holds two breakers: write ${number}a or ${number}b` };
    }
  }
  const named = circuits.filter(({ circuit }) => plain(circuit.name) === said);
  const begins =
    named.length > 0 ? named : circuits.filter(({ circuit }) => plain(circuit.name).startsWith(said));
  if (begins.length === 1) return found(begins[0]!);
  return {
    ok: false,
    message:
      begins.length > 1
        ? `${begins.length} circuits are called so: write the space, as ${circuitShortText(survey, begins[0]!)}`
        : 'No circuit is there or called so: write a space (13), panel and space (Barn 13), or a name',
  };
}
