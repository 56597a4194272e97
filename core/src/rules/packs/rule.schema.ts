import * as z from 'zod';
import { field, lineSchema, noteSchema } from '../../base/index.js';
import { type SubjectKind, subjectKinds } from './subject-kinds.js';

export const subjectKindNames = Object.keys(subjectKinds) as [SubjectKind, ...SubjectKind[]];

/** Where a rule comes from. */
export const ruleOrigins = ['recalled', 'common-practice', 'maker', 'utility', 'company'] as const;
export type RuleOrigin = (typeof ruleOrigins)[number];

const expressionSchema = () =>
  z.string({ error: 'Write an expression' }).max(400, 'Keep an expression under 400 characters');

const saysSchema = z.strictObject({
  title: field(lineSchema(200), { label: 'Says, where it fails', hint: '{name} puts a fact in' }),
  because: field(lineSchema(600), { label: 'Because', rows: 2 }),
  cure: field(lineSchema(600), { label: 'Cure', rows: 2 }),
});
export type RuleSays = z.infer<typeof saysSchema>;

/**
 * A rule as data: what it applies to, what must be true, what is said where it is not. Texts may name facts of the subject in braces: `{name}`,
 * `{name:count}`, `{name:circuits}`.
 */
export const ruleSchema = z.strictObject({
  id: field(
    z.string({ error: 'Give the rule an id' }).regex(/^[a-z0-9][a-z0-9.-]{1,60}$/, {
      error: 'An id is of small letters, digits, dots and dashes',
    }),
    { label: 'Id', hint: 'stands in files and findings' },
  ),
  on: field(z.enum(subjectKindNames, { error: 'Choose what the rule is about' }), {
    label: 'It is about',
    choices: subjectKindNames.map((kind) => [kind, subjectKinds[kind].label] as const),
  }),
  /** In own words, for a list of the rules. */
  name: field(lineSchema(200), { label: 'It asks, in own words' }),
  /** '' where it is practice only. */
  clause: field(lineSchema(120), { label: 'Clause' }),
  origin: field(z.enum(ruleOrigins, { error: 'Say where the rule comes from' }), {
    label: 'It comes from',
    choices: [
      ['recalled', 'a published code, recalled'],
      ['common-practice', 'common practice'],
      ['maker', 'the data sheet of its maker'],
      ['utility', 'the utility'],
      ['company', 'the company'],
    ],
  }),
  when: field(expressionSchema(), { label: 'Applies where', hint: 'empty: always', rows: 2 }),
  /** Part of the name of the region, or of the utility, it holds in; '' = everywhere. */
  region: field(lineSchema(60), { label: 'Only in the region', hint: 'empty: everywhere' }),
  utility: field(lineSchema(120), { label: 'Only with the utility', hint: 'empty: with any' }),
  holds: field(expressionSchema(), {
    label: 'Must be true',
    hint: 'names of facts, numbers, + − * /, <= >= == !=, && || !, known(…)',
    rows: 2,
  }),
  severity: field(z.enum(['stops', 'must-fix', 'consider'], { error: 'Say how bad it is where it fails' }), {
    label: 'Where it fails',
    choices: [
      ['stops', 'stops the job'],
      ['must-fix', 'must be fixed'],
      ['consider', 'to be considered'],
    ],
  }),
  says: saysSchema,
  /** Said where what it needs is not known; null: nothing is. */
  open: saysSchema.nullable(),
  /** Said where it holds; null: nothing is. */
  fine: saysSchema.nullable(),
  /** The fact whose things are marked, for example the breakers of a panel; ''. */
  marks: lineSchema(40),
  /** Figures that are compared: the first against the second. */
  figures: z.array(lineSchema(40)).max(2, 'Compare at most two figures'),
  note: field(noteSchema(1000), { label: 'Note' }),
});
export type Rule = z.infer<typeof ruleSchema>;

/** A rule as an earlier program wrote it down: it held everywhere. */
export const writtenRuleSchema = ruleSchema.extend({
  region: ruleSchema.shape.region.default(''),
  utility: ruleSchema.shape.utility.default(''),
});

type Spec = Pick<Rule, 'id' | 'on' | 'name' | 'holds' | 'severity'> &
  Partial<Omit<Rule, 'says' | 'open' | 'fine'>> & {
    readonly says: readonly [title: string, because?: string, cure?: string];
    readonly open?: readonly [title: string, because?: string, cure?: string];
    readonly fine?: readonly [title: string, because?: string, cure?: string];
  };

const words = ([title, because = '', cure = '']: Spec['says']): RuleSays => ({ title, because, cure });

/** Writes a rule down; what is not said is as usual: it applies always, is recalled, and says nothing where it holds or is open. */
export const rule = ({ says, open, fine, ...spec }: Spec): Rule => ({
  clause: '',
  origin: (spec.clause ?? '') === '' ? 'common-practice' : 'recalled',
  when: '',
  region: '',
  utility: '',
  marks: '',
  figures: [],
  note: '',
  ...spec,
  says: words(says),
  open: open ? words(open) : null,
  fine: fine ? words(fine) : null,
});
