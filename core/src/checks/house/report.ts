import { type Finding, quantityText } from '../../base/index.js';
import { type Circuit, spacesText } from '../../house/index.js';

/** Takes what is found about a panel. */
export type Report = (
  key: string,
  severity: Finding['severity'],
  circuits: readonly Circuit[],
  title: string,
  because: string,
  cure: string,
) => void;

/** A circuit as findings call it: its spaces and its name. */
export const circuitLabel = (circuit: Circuit): string =>
  `${spacesText(circuit)} ${circuit.name === '' ? `(${circuit.use})` : circuit.name}`;
export const labels = (circuits: readonly Circuit[]): string => circuits.map(circuitLabel).join('; ');

/** With a plain space: findings are searched and copied. */
export const amps = (value: number): string => quantityText(value, 'A').replace('\u202f', ' ');
