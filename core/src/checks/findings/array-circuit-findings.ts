import { type Finding, plainQuantityText } from '../../base/index.js';
import { currentOnLegsA } from '../../electric/index.js';
import { circuitLegSet, circuitsById, circuitText, type PlacedCircuit } from '../../house/index.js';
import { codeValues } from '../../rules/index.js';
import { arrayCircuits, arrayInverterW, type Plan, type SolarArray } from '../../design/index.js';

const amps = (value: number): string => plainQuantityText(value, 'A');

function findingOf(
  plan: Plan,
  array: SolarArray,
  places: readonly PlacedCircuit[],
  { panel, circuit }: PlacedCircuit,
): Finding[] {
  const { supply } = plan;
  const { ratingA } = circuit;
  const legs = circuitLegSet(panel, circuit, supply.system);
  if (ratingA === null) return [];
  const shareW = arrayInverterW(array) / places.length;
  const givesA = currentOnLegsA(supply.system, shareW, legs);
  // An inverter gives its power for hours: NEC 2023, 705.28(A) with 690.8 (recalled).
  const neededA = givesA * codeValues(plan).continuousFactor;
  if (neededA <= ratingA * (1 + 1e-6)) return [];
  const parts = places.length === 1 ? '' : ` on each of its ${places.length} circuits`;
  return [
    {
      key: `solar-circuit.${array.id}.${circuit.id}`,
      severity: 'must-fix',
      title: 'An array is larger than the breaker of its circuit',
      because: `${array.name} gives up to ${amps(givesA)}${parts}; with what is kept in hand for hours of it ${amps(neededA)} against ${amps(ratingA)} on ${circuitText({ panel, circuit })}.`,
      cure: 'Bring it down on more circuits, or choose a larger breaker and conductor that the panel has room for.',
      figures: [],
    },
  ];
}

/** Arrays with inverters of their own against the breakers of the circuits they come down on. */
export function arrayCircuitFindings(plan: Plan): Finding[] {
  const known = circuitsById(plan.survey);
  return plan.sources.arrays
    .filter(({ coupling }) => coupling === 'ac')
    .flatMap((array) => {
      const places = arrayCircuits(array, known);
      return places.flatMap((place) => findingOf(plan, array, places, place));
    });
}
