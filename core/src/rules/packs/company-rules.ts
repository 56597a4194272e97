import { sameValue } from '../../base/index.js';
import type { Rule } from './rule.schema.js';

/** How the rules of a job stand to those its company keeps, by their ids. */
export interface CompanyDifference {
  /** The company keeps them, and the job has them otherwise, or not at all. */
  readonly toTake: readonly Rule[];
  /** The job has them, and the company keeps them otherwise, or not at all. */
  readonly toKeep: readonly Rule[];
}

/** Compares the rules of a job with those of its company. */
export function companyDifference(ofJob: readonly Rule[], ofCompany: readonly Rule[]): CompanyDifference {
  const lacking = (from: readonly Rule[], to: readonly Rule[]): Rule[] => {
    const there = new Map(to.map((rule) => [rule.id, rule]));
    return from.filter((rule) => {
      const known = there.get(rule.id);
      return !known || !sameValue(known, rule);
    });
  };
  return { toTake: lacking(ofCompany, ofJob), toKeep: lacking(ofJob, ofCompany) };
}

/** Rules with others put over them: those of the same id are replaced where they stand, the rest follow. */
export function withRules(rules: readonly Rule[], others: readonly Rule[]): Rule[] {
  const over = new Map(others.map((rule) => [rule.id, rule]));
  const known = new Set(rules.map(({ id }) => id));
  return [...rules.map((rule) => over.get(rule.id) ?? rule), ...others.filter(({ id }) => !known.has(id))];
}
