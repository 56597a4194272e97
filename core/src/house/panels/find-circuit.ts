import type { SurveyedHouse } from './surveyed-house.js';
import type { Circuit, Panel, Survey } from './panel.schema.js';

export interface PlacedCircuit {
  readonly panel: Panel;
  readonly circuit: Circuit;
}

/** Every circuit of a survey with its panel, by id. */
export function circuitsById(survey: Pick<Survey, 'panels'>): Map<string, PlacedCircuit> {
  return new Map(
    survey.panels.flatMap((panel) =>
      panel.circuits.map((circuit) => [circuit.id, { panel, circuit }] as const),
    ),
  );
}

/** "12", "2, 4", "7a": where a breaker sits, as written on the panel's legend. */
export const spacesText = ({ spaces, half }: Pick<Circuit, 'spaces' | 'half'>): string =>
  `${spaces.join(', ')}${half ?? ''}`;

/** "Main panel 12 · Kitchen outlets" */
export function circuitText({ panel, circuit }: PlacedCircuit): string {
  const name = circuit.name || (circuit.use === 'spare' ? 'spare' : 'not named');
  return `${panel.name} ${spacesText(circuit)} · ${name}`;
}

/** The panel a circuit feeds, where it is the feeder of one. */
export const panelFedBy = ({ survey }: Pick<SurveyedHouse, 'survey'>, circuitId: string): Panel | undefined =>
  survey.panels.find(({ fedFrom }) => fedFrom.kind === 'circuit' && fedFrom.circuitId === circuitId);
