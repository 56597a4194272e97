import type { House } from '../site/house.js';
import { circuitText } from '../panels/find-circuit.js';

/** Something a photo may show. */
export interface PhotoThing {
  readonly id: string;
  readonly label: string;
}

/** What photos of a house may be of, in the order of the survey: services, panels with their circuits, loads, walls. */
export function photoThings({ survey, loads, lot }: Pick<House, 'survey' | 'loads' | 'lot'>): PhotoThing[] {
  return [
    ...survey.services.map(({ id, name }) => ({ id, label: name })),
    ...survey.panels.flatMap((panel) => [
      { id: panel.id, label: panel.name },
      ...panel.circuits.map((circuit) => ({ id: circuit.id, label: circuitText({ panel, circuit }) })),
    ]),
    ...loads.map(({ id, name }) => ({ id, label: name })),
    ...lot.walls.map(({ id, name }) => ({ id, label: `Wall ${name}` })),
  ];
}
