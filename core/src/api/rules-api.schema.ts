import * as z from 'zod';
import { countSchema, lineSchema } from '../base/index.js';
import { maxOwnRules, ruleSchema, writtenRuleSchema } from '../rules/index.js';

/** The rules a company adds to the code, for every job that begins after them. */
export const companyRulesSchema = z.strictObject({
  /** 0 = it keeps none, and never did. */
  revision: countSchema(0, 1e9),
  rules: z.array(writtenRuleSchema).max(maxOwnRules),
  /** Who kept them last, and when; '' and null = nobody. */
  actor: z.string(),
  changedAt: z.iso.datetime().nullable(),
});
export type CompanyRules = z.infer<typeof companyRulesSchema>;

/** Other rules in place of those that were looked at. */
export const companyRulesChangeSchema = z.strictObject({
  /** The revision that was looked at. */
  baseRevision: countSchema(0, 1e9),
  /** In words, for the history. */
  said: lineSchema(200),
  rules: z
    .array(ruleSchema)
    .max(maxOwnRules, `A company keeps at most ${maxOwnRules} rules`)
    .refine((rules) => new Set(rules.map(({ id }) => id)).size === rules.length, {
      error: 'Two rules share an id: give each one of its own',
    }),
});
export type CompanyRulesChange = z.infer<typeof companyRulesChangeSchema>;
