import { type Figure, quantityText } from '@levamen/core/base';
import { circuitsById, circuitText, spacesText } from '@levamen/core/house';
import type { Evaluation } from '@levamen/core/study';
import { keptLoads, laneOfCircuits, type Plan } from '@levamen/core/design';
import { laneFacts } from '../stages/backup/lane-facts';
import { stages } from './stages';

/** One line of the command palette. */
export interface PaletteEntry {
  readonly id: string;
  readonly label: string;
  readonly detail: string;
  readonly group: 'Action' | 'Stage' | 'Load' | 'Circuit' | 'Lane' | 'Figure';
  readonly target:
    | { readonly kind: 'stage'; readonly path: string }
    | { readonly kind: 'load'; readonly id: string }
    | { readonly kind: 'circuit'; readonly id: string }
    | { readonly kind: 'bench'; readonly id: string }
    | { readonly kind: 'figure'; readonly figure: Figure }
    | { readonly kind: 'action'; readonly name: ActionName };
}

export type ActionName = 'undo' | 'redo' | 'scheme' | 'units' | 'keys' | 'export' | 'jobs' | 'suggestion';

const actions: readonly (readonly [ActionName, string])[] = [
  ['undo', 'Undo'],
  ['redo', 'Redo'],
  ['scheme', 'Light or dark'],
  ['units', 'Metric or imperial'],
  ['suggestion', 'Go back to the suggested stack'],
  ['export', 'Export this job (.levamen.json)'],
  ['jobs', 'All jobs'],
  ['keys', 'List of keys'],
];

/** Every figure of an evaluation that the user can see, each once. */
function figuresOf(evaluation: Evaluation): Figure[] {
  const found = new Map<string, Figure>();
  const walk = (figure: Figure): void => {
    if (found.has(figure.key)) return;
    found.set(figure.key, figure);
    Object.values(figure.inputs).forEach(walk);
  };
  for (const { demand, limit } of evaluation.margins) [demand, limit].forEach(walk);
  const { delivered, lithium, leadAcid } = evaluation.requirement;
  [delivered, lithium, leadAcid].forEach(walk);
  for (const { figure, upTo } of evaluation.demandViews) {
    if (figure) walk(figure);
    if (upTo) walk(upTo);
  }
  return [...found.values()];
}

/** Everything that can be found: stages, loads, figures, actions. */
export function paletteEntries(plan: Plan, evaluation: Evaluation | null): PaletteEntry[] {
  const kept = keptLoads(plan);
  const laneOf = laneOfCircuits(plan);
  const { units } = plan.site;
  return [
    ...stages.map(({ path, name, purpose }): PaletteEntry => ({
      id: `stage-${path}`,
      label: name,
      detail: purpose,
      group: 'Stage',
      target: { kind: 'stage', path },
    })),
    ...actions.map(([name, label]): PaletteEntry => ({
      id: `action-${name}`,
      label,
      detail: '',
      group: 'Action',
      target: { kind: 'action', name },
    })),
    ...plan.loads.map((load): PaletteEntry => ({
      id: `load-${load.id}`,
      label: load.name,
      detail: `${quantityText(load.runningPowerW, 'W')}, ${kept.has(load.id) ? 'in the backup set' : 'not backed up'}`,
      group: 'Load',
      target: { kind: 'load', id: load.id },
    })),
    ...[...circuitsById(plan.survey).values()].map((placed): PaletteEntry => ({
      id: `circuit-${placed.circuit.id}`,
      label: circuitText(placed),
      detail: placed.circuit.ratingA === null ? '' : quantityText(placed.circuit.ratingA, 'A'),
      group: 'Circuit',
      target: { kind: 'circuit', id: placed.circuit.id },
    })),
    ...[...circuitsById(plan.survey).values()]
      .filter(({ circuit }) => circuit.use === 'circuit')
      .map(({ circuit, panel }): PaletteEntry => ({
        id: `lane-${circuit.id}`,
        label: `${circuit.name || spacesText(circuit)} on the bench`,
        detail: `${panel.name}, ${laneFacts[laneOf(circuit.id).lane].title.toLowerCase()}`,
        group: 'Lane',
        target: { kind: 'bench', id: circuit.id },
      })),
    ...(evaluation ? figuresOf(evaluation) : []).map((figure): PaletteEntry => ({
      id: `figure-${figure.key}`,
      label: figure.label,
      detail: quantityText(figure.value, figure.unit, units),
      group: 'Figure',
      target: { kind: 'figure', figure },
    })),
  ];
}

/** Entries that contain every word of the query, those that start with it first. */
export function findEntries(entries: readonly PaletteEntry[], query: string): PaletteEntry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries.slice(0, 40);
  const text = ({ label, group }: PaletteEntry): string => `${label} ${group}`.toLowerCase();
  return entries
    .filter((entry) => words.every((word) => text(entry).includes(word)))
    .toSorted((a, b) => Number(text(b).startsWith(words[0]!)) - Number(text(a).startsWith(words[0]!)))
    .slice(0, 40);
}
