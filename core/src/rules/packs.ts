/** Rule packs and their evaluator: loaded where rules are asked, not with the first stage. */
export {
  comparedFigures,
  findingOf,
  judge,
  type Judgement,
  judgementKey,
  judgementReference,
  judgementWords,
  markedIds,
  missingFacts,
  type RuleVerdict,
  type Subject,
} from './packs/judge.js';
export { type Fact, factValue, type NamedThings } from './packs/fact.js';
export { factShown, namedText } from './packs/fill-text.js';
export { packFor, packOf } from './packs/pack-of.js';
export { type RuleSheet, ruleSheets } from './packs/rule-sheets.js';
export { ruleNames } from './packs/read-rule.js';
export { type CompanyDifference, companyDifference, withRules } from './packs/company-rules.js';
export { readRulesFile, rulesFile } from './packs/rules-file.js';
export { rule as ruleOf } from './packs/rule.schema.js';
export { ruleProblems, type RuleProblem } from './packs/rule-problems.js';
export { type FactKind, type FactName, subjectKinds, type SubjectKind } from './packs/subject-kinds.js';
