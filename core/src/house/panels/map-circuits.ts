import type { Circuit, Survey } from './panel.schema.js';

/** The survey with every circuit changed; what `change` gives back unchanged stays the same object. */
export const mapCircuits = (survey: Survey, change: (circuit: Circuit) => Circuit): Survey => ({
  ...survey,
  panels: survey.panels.map((panel) => ({ ...panel, circuits: panel.circuits.map(change) })),
});
