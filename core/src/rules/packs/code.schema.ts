import * as z from 'zod';
import { field } from '../../base/index.js';
import { packIds } from './pack.js';
import { packNames } from './data/pack-values.js';
import { ruleSchema } from './rule.schema.js';

export const maxOwnRules = 100;

/** Which code a job is judged by, and the rules that somebody added to it. */
export const codeSchema = z.strictObject({
  packId: field(z.enum(packIds, { error: 'Choose one of the rule packs' }).nullable(), {
    label: 'Rules and edition',
    choices: [
      [null, 'as is usual there'],
      ...packIds.map((id) => [id, `${packNames[id].edition}: ${packNames[id].place}`] as const),
    ],
  }),
  /** Of the company and the utility. */
  rules: z.array(ruleSchema).max(maxOwnRules, `A job holds at most ${maxOwnRules} rules of its own`),
});
export type Code = z.infer<typeof codeSchema>;

export const usualCode = (): Code => ({ packId: null, rules: [] });
