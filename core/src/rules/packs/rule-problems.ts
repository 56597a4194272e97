import { placeWords } from '../../base/index.js';
import { strangersIn } from './fill-text.js';
import { readRule } from './read-rule.js';
import type { Rule } from './rule.schema.js';
import { factKind, factType } from './subject-kinds.js';

export interface RuleProblem {
  readonly field: 'when' | 'holds' | 'says' | 'marks' | 'figures';
  readonly message: string;
}

/** What is wrong with a rule beyond its form: expressions that cannot be read, names that mean nothing. */
export function ruleProblems(rule: Rule): RuleProblem[] {
  const problems: RuleProblem[] = [...readRule(rule).faults];
  for (const says of [rule.says, rule.open, rule.fine]) {
    for (const text of says ? [says.title, says.because, says.cure] : []) {
      for (const name of strangersIn(text, rule.on, [...placeWords, 'rule']))
        problems.push({ field: 'says', message: `“{${name}}”: there is no fact of that name here` });
    }
  }
  if (rule.marks !== '' && factKind(rule.on, rule.marks)?.is !== 'things')
    problems.push({ field: 'marks', message: `“${rule.marks}” names no things` });
  for (const name of rule.figures)
    if (factType(rule.on, name) !== 'number')
      problems.push({ field: 'figures', message: `“${name}” is no number` });
  return problems;
}
