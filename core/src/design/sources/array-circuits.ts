import type { PlacedCircuit } from '../../house/index.js';
import type { SolarArray } from './sources.schema.js';

/** The circuits an array comes down on, as far as they are in the survey. */
export const arrayCircuits = (
  { circuitId, moreCircuits }: Pick<SolarArray, 'circuitId' | 'moreCircuits'>,
  circuits: ReadonlyMap<string, PlacedCircuit>,
): readonly PlacedCircuit[] =>
  [circuitId, ...moreCircuits.map((more) => more.circuitId)].flatMap((id) => circuits.get(id ?? '') ?? []);
