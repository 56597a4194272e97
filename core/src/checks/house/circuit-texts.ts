import { type NamedThings } from '../../rules/packs.js';
import { type Circuit, spacesText } from '../../house/index.js';

/** A circuit as findings call it: its spaces and its name. */
export const circuitLabel = (circuit: Circuit): string =>
  `${spacesText(circuit)} ${circuit.name === '' ? `(${circuit.use})` : circuit.name}`;

/** Circuits as a fact. */
export const namedCircuits = (
  circuits: readonly Circuit[],
  label: (circuit: Circuit) => string = circuitLabel,
): NamedThings => ({ names: circuits.map(label).join('; '), ids: circuits.map(({ id }) => id) });
