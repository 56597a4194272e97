import type { Load } from '../loads/load.schema.js';
import type { Survey } from './panel.schema.js';

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** Do the words of one name begin the other? "Well pump" and "Well pump, ¾ hp" do; "Range" and "Range hood" may be two things. */
const fits = (load: string, circuit: string): boolean =>
  circuit !== '' && (load === circuit || load.startsWith(`${circuit} `));

/**
 * Circuits whose name says which loads hang on them: the load has the name of the circuit, or that name with more words after it. Where
 * several circuits fit, the one with the longest name does, if it is the only one.
 *
 * @param loads on no circuit; others are left alone
 * @returns id of the circuit by id of the load
 */
export function circuitsByName(survey: Survey, loads: readonly Load[]): Map<string, string> {
  const circuits = survey.panels.flatMap((panel) =>
    panel.circuits.flatMap(({ id, name, use }) => (use === 'spare' ? [] : [{ id, name: plain(name) }])),
  );
  return new Map(
    loads.flatMap((load) => {
      if (load.circuitId !== null) return [];
      const name = plain(load.name);
      const found = circuits.filter((circuit) => fits(name, circuit.name));
      const longest = Math.max(0, ...found.map((circuit) => circuit.name.length));
      const [one, another] = found.filter((circuit) => circuit.name.length === longest);
      return one && !another ? [[load.id, one.id] as const] : [];
    }),
  );
}
