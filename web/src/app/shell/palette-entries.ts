import { type Figure, quantityText } from '@levamen/core/base';
import type { Evaluation } from '@levamen/core/study';
import type { Plan } from '@levamen/core/design';
import type { Stage } from './stage';

/** One line of the command palette. */
export interface PaletteEntry {
  readonly id: string;
  readonly label: string;
  readonly detail: string;
  /** "Action", "Stage", "Figure", or what a stage calls its things. */
  readonly group: string;
  readonly target:
    | { readonly kind: 'stage'; readonly path: string }
    | { readonly kind: 'thing'; readonly path: string; readonly id: string }
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

/** Everything that can be found: stages and what is in them, figures, actions. */
export function paletteEntries(
  stages: readonly Stage[],
  plan: Plan,
  evaluation: Evaluation | null,
): PaletteEntry[] {
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
    ...stages.flatMap(({ path, findables }) =>
      (findables?.(plan) ?? []).map(({ id, label, detail, group }): PaletteEntry => ({
        id: `${path}-${id}`,
        label,
        detail,
        group,
        target: { kind: 'thing', path, id },
      })),
    ),
    ...(evaluation ? figuresOf(evaluation) : []).map((figure): PaletteEntry => ({
      id: `figure-${figure.key}`,
      label: figure.label,
      detail: quantityText(figure.value, figure.unit, units),
      group: 'Figure',
      target: { kind: 'figure', figure },
    })),
  ];
}

/** Entries that contain every word of the query: those that start with it first, then those that say least beside it. */
export function findEntries(entries: readonly PaletteEntry[], query: string): PaletteEntry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return entries.slice(0, 40);
  const text = ({ label, group }: PaletteEntry): string => `${label} ${group}`.toLowerCase();
  return entries
    .filter((entry) => words.every((word) => text(entry).includes(word)))
    .toSorted(
      (a, b) =>
        Number(text(b).startsWith(words[0]!)) - Number(text(a).startsWith(words[0]!)) ||
        a.label.length - b.label.length,
    )
    .slice(0, 40);
}
