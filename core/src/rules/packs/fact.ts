import type { Figure } from '../../base/index.js';

/** Several things a fact names: how many they are decides, their names are said. */
export interface NamedThings {
  readonly names: string;
  readonly ids: readonly string[];
}

/** What is known of a subject under one name; null = not known. A figure brings its working along. */
export type Fact = number | boolean | string | NamedThings | Figure | null;

/** What an expression computes with: things count by their number, figures by their value. */
export type FactValue = number | boolean | string | null;

const isFigure = (fact: NamedThings | Figure): fact is Figure => 'value' in fact;

/** The value an expression sees. */
export function factValue(fact: Fact): FactValue {
  if (fact === null || typeof fact !== 'object') return Number.isNaN(fact) ? null : fact;
  if (!isFigure(fact)) return fact.ids.length;
  return Number.isNaN(fact.value) ? null : fact.value;
}

/** The figure behind a fact, where it is one. */
export const factFigure = (fact: Fact): Figure | null =>
  fact !== null && typeof fact === 'object' && isFigure(fact) ? fact : null;

/** The things behind a fact; none where it names none. */
export const factThings = (fact: Fact): NamedThings =>
  fact !== null && typeof fact === 'object' && !isFigure(fact) ? fact : { names: '', ids: [] };
