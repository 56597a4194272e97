import { plainQuantityText, type UnitSystem } from '../../base/index.js';
import { type Fact, factThings, factValue } from './fact.js';
import { factKind, type SubjectKind } from './subject-kinds.js';

const token = /\{([a-zA-Z]+)(?::(count|circuits))?\}/g;

function shown(
  kind: SubjectKind,
  name: string,
  fact: Fact,
  how: string | undefined,
  units: UnitSystem,
): string | null {
  const { is } = factKind(kind, name) ?? {};
  if (is === undefined) return null;
  const value = factValue(fact);
  if (how === 'count') return String(value ?? 0);
  if (how === 'circuits') return value === 1 ? '1 circuit' : `${value ?? 0} circuits`;
  if (is === 'things') return factThings(fact).names;
  if (value === null) return 'not known';
  if (typeof value !== 'number') return value === true ? 'yes' : value === false ? 'no' : value;
  return is === 'text' || is === 'yes or no' ? String(value) : plainQuantityText(value, is, units);
}

/** A fact as it is shown beside its name; '' where the subject has none of that name. */
export const factShown = (
  kind: SubjectKind,
  name: string,
  facts: Readonly<Record<string, Fact>>,
  units: UnitSystem = 'metric',
): string => {
  const fact = facts[name] ?? null;
  const { names, ids } = factThings(fact);
  const text = shown(kind, name, fact, undefined, units) ?? '';
  return factKind(kind, name)?.is === 'things' && fact !== null
    ? `${ids.length}${names === '' ? '' : `: ${names}`}`
    : text;
};

/** Puts facts into a text; what names none of them (words that differ by place) stays as it stands. */
export const fillText = (
  text: string,
  kind: SubjectKind,
  facts: Readonly<Record<string, Fact>>,
  units: UnitSystem = 'metric',
): string =>
  text.replace(
    token,
    (whole, name: string, how?: string) => shown(kind, name, facts[name] ?? null, how, units) ?? whole,
  );

/** A text with the labels of the facts it names, where there is nothing to put in. */
export const namedText = (text: string, kind: SubjectKind): string =>
  text.replace(token, (whole, name: string) => {
    const label = factKind(kind, name)?.label;
    return label === undefined ? whole : `[${label.charAt(0).toLowerCase()}${label.slice(1)}]`;
  });

/** Names in a text that no fact of the subject has. */
export const strangersIn = (text: string, kind: SubjectKind, others: readonly string[]): string[] =>
  [...text.matchAll(token)]
    .map(([, name]) => name!)
    .filter((name) => !factKind(kind, name) && !others.includes(name));
