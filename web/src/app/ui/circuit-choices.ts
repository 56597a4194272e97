import { circuitsById, circuitText, type PlacedCircuit, type Survey } from '@levamen/core/house';
import type { Choice } from './choice-field';

export const circuitChoice = (placed: PlacedCircuit): Choice<string> => ({
  value: placed.circuit.id,
  label: circuitText(placed),
});

/** Every circuit of a survey to choose from, after what stands where nobody has said. */
export const circuitChoices = (survey: Survey, unsaid: string): Choice<string | null>[] => [
  { value: null, label: unsaid },
  ...[...circuitsById(survey).values()].map(circuitChoice),
];
