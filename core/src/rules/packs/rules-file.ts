import { listedFile, type ReadListed, readListedFile } from '../../base/index.js';
import { maxOwnRules } from './code.schema.js';
import { type Rule, writtenRuleSchema } from './rule.schema.js';

const kind = {
  format: 'levamen-rules',
  list: 'rules',
  one: 'rule',
  most: maxOwnRules,
  schema: writtenRuleSchema,
};

/** Rules of a utility or a company as an open file. */
export const rulesFile = (rules: readonly Rule[]): string => listedFile(kind, rules);

/** Reads such a file; a rule at fault is named and left out, the others are kept. */
export const readRulesFile = (text: string): ReadListed<Rule> => readListedFile(kind, text);
