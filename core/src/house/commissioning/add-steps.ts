import type { AddedStep } from './commissioning.schema.js';

const plain = (title: string): string => title.trim().toLowerCase();

/** Steps with others after them: those that are not among them yet, by id or by title. */
export function addSteps(steps: readonly AddedStep[], more: readonly AddedStep[]): AddedStep[] {
  const ids = new Set(steps.map(({ id }) => id));
  const titles = new Set(steps.map(({ title }) => plain(title)));
  return [...steps, ...more.filter(({ id, title }) => !ids.has(id) && !titles.has(plain(title)))];
}
