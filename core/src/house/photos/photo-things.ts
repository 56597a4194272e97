import type { House } from '../site/house.js';
import { isAboutStep } from '../commissioning/commissioning.schema.js';
import type { Photo } from './photo.schema.js';
import { circuitText } from '../panels/find-circuit.js';

/** Something a photo may show. */
export interface PhotoThing {
  readonly id: string;
  readonly label: string;
}

/** What photos of a house may be of, in the order of the survey: services, panels with their circuits, loads, walls; then the steps of commissioning that have one. */
export function photoThings({
  survey,
  loads,
  lot,
  photos,
}: Pick<House, 'survey' | 'loads' | 'lot'> & { readonly photos: readonly Photo[] }): PhotoThing[] {
  const steps = new Map(
    photos.flatMap(({ aboutId, caption }) =>
      aboutId !== null && isAboutStep(aboutId) ? [[aboutId, caption] as const] : [],
    ),
  );
  return [
    ...survey.services.map(({ id, name }) => ({ id, label: name })),
    ...survey.panels.flatMap((panel) => [
      { id: panel.id, label: panel.name },
      ...panel.circuits.map((circuit) => ({ id: circuit.id, label: circuitText({ panel, circuit }) })),
    ]),
    ...loads.map(({ id, name }) => ({ id, label: name })),
    ...lot.walls.map(({ id, name }) => ({ id, label: `Wall ${name}` })),
    ...[...steps].map(([id, caption]) => ({ id, label: `Step: ${caption || 'of commissioning'}` })),
  ];
}
