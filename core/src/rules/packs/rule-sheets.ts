import { groupBy } from '../../base/index.js';
import {
  judge,
  type Judgement,
  judgementReference,
  referenceOf,
  type RuleVerdict,
  type Subject,
} from './judge.js';
import { namedText } from './fill-text.js';
import type { PackRules } from './pack.js';
import type { Rule } from './rule.schema.js';
import { ruleProblems, type RuleProblem } from './rule-problems.js';

/** One rule of a pack with what it says here. */
export interface RuleSheet {
  readonly rule: Rule;
  readonly reference: string;
  /** Of every subject it applies to; what fails comes first. */
  readonly judged: readonly Judgement[];
  /** The worst of them; null = it applies to nothing here. */
  readonly verdict: RuleVerdict | null;
  /** What is wrong with it; one whose expressions cannot be read judges nothing. */
  readonly problems: readonly RuleProblem[];
}

const order: readonly RuleVerdict[] = ['fails', 'unknown', 'holds'];

/** Every rule of a pack, with its verdict on everything there is. */
export function ruleSheets(pack: PackRules, subjects: readonly Subject[]): RuleSheet[] {
  const byRule = groupBy(judge(pack, subjects), ({ rule }) => rule);
  return pack.rules.map((rule) => {
    const judged = (byRule.get(rule) ?? []).toSorted(
      (a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict),
    );
    return {
      rule,
      reference: judged[0]
        ? judgementReference(judged[0])
        : namedText(referenceOf(rule, pack.edition), rule.on),
      judged,
      verdict: judged[0]?.verdict ?? null,
      problems: ruleProblems(rule),
    };
  });
}
