import { ExpressionProblem, type ReadExpression, readExpression } from './expression.js';
import type { Rule } from './rule.schema.js';
import { factType } from './subject-kinds.js';

/** What is wrong with one expression of a rule. */
export interface ExpressionFault {
  readonly field: 'when' | 'holds';
  readonly message: string;
}

/** The expressions of a rule; null where they cannot be read. */
export interface ReadRule {
  readonly read: { readonly when: ReadExpression | null; readonly holds: ReadExpression } | null;
  readonly faults: readonly ExpressionFault[];
}

const known = new WeakMap<Rule, ReadRule>();

/** Reads the expressions of a rule, once. */
export function readRule(rule: Rule): ReadRule {
  const before = known.get(rule);
  if (before) return before;
  const faults: ExpressionFault[] = [];
  const readField = (field: ExpressionFault['field']): ReadExpression | null => {
    try {
      return readExpression(rule[field], 'yes or no', (name) => factType(rule.on, name));
    } catch (error) {
      if (!(error instanceof ExpressionProblem)) throw error;
      faults.push({ field, message: error.message });
      return null;
    }
  };
  // An empty condition applies always.
  const when = rule.when.trim() === '' ? null : readField('when');
  const holds = readField('holds');
  const made = { read: holds && faults.length === 0 ? { when, holds } : null, faults };
  known.set(rule, made);
  return made;
}

/** Facts a rule names anywhere in its expressions, also where it only asks whether they are known. */
export const ruleNames = ({ on, when, holds }: Rule): string[] =>
  [...new Set(`${when} ${holds}`.match(/[A-Za-z]\w*/g) ?? [])].filter(
    (name) => factType(on, name) !== undefined,
  );
