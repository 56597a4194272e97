import { type Figure, type Finding, groupBy, type Severity, type UnitSystem } from '../../base/index.js';
import type { Look } from './expression.js';
import { type Fact, factFigure, factThings, factValue } from './fact.js';
import { fillText } from './fill-text.js';
import type { PackRules } from './pack.js';
import { readRule } from './read-rule.js';
import type { Rule, RuleSays } from './rule.schema.js';
import { factKind, type FactName, type SubjectKind } from './subject-kinds.js';

export type Facts<Kind extends SubjectKind> = Readonly<Record<FactName<Kind>, Fact>>;

/** One thing rules are asked of, with what is known of it. */
export interface Subject<Kind extends SubjectKind = SubjectKind> {
  readonly kind: Kind;
  /** Stands before the last part of the rule’s id in the key of a finding. */
  readonly keyBefore: string;
  /** Stands after it; ''. */
  readonly keyAfter: string;
  readonly name: string;
  /** What is shown when somebody asks for it: a panel, a part of the wiring. */
  readonly about: string;
  readonly facts: Facts<Kind>;
  /** In which its quantities are put into words; metric where nothing is said. */
  readonly units?: UnitSystem;
}

export type RuleVerdict = 'holds' | 'fails' | 'unknown';

/** What a rule says of one subject. Its words are put together by those who show them. */
export interface Judgement {
  readonly rule: Rule;
  readonly subject: Subject;
  readonly verdict: RuleVerdict;
  readonly edition: string;
}

/** A clause of another document than the electrical code says which one. */
const ownEdition = /^(IRC|NFPA|PAS|AS\/NZS|NDS|NIOSH)\b/;

/** Clause and edition of a rule, as they are cited. */
export function referenceOf({ clause, origin }: Rule, edition: string): string {
  if (origin === 'common-practice') return 'common practice, no source';
  if (origin === 'maker') return 'its data sheet';
  if (origin === 'recalled' && ownEdition.test(clause)) return `${clause}, recalled`;
  if (origin === 'recalled') return `${clause === '' ? edition : `${clause}, ${edition}`}, recalled`;
  return clause === '' ? `rule of the ${origin}` : `${clause}, rule of the ${origin}`;
}

/** Rules by what they are about; asked of one thing at a time, thousands of times. */
const kinds = new WeakMap<readonly Rule[], ReadonlyMap<SubjectKind, readonly Rule[]>>();

/** Asks the rules of a pack about subjects; a rule that does not apply, or cannot be read, says nothing. In the order of the subjects, then of the rules. */
export function judge({ rules, edition }: PackRules, subjects: readonly Subject[]): Judgement[] {
  const byKind = kinds.get(rules) ?? groupBy(rules, ({ on }) => on);
  kinds.set(rules, byKind);
  return subjects.flatMap((subject) =>
    (byKind.get(subject.kind) ?? []).flatMap((rule): Judgement[] => {
      const { read } = readRule(rule);
      const look = lookIn(subject);
      if (!read || (read.when && read.when.run(look) !== true)) return [];
      const holds = read.holds.run(look);
      return [{ rule, subject, verdict: holds === null ? 'unknown' : holds ? 'holds' : 'fails', edition }];
    }),
  );
}

const factsOf = ({ facts }: Subject): Readonly<Record<string, Fact>> => facts;
const lookIn = (subject: Subject): Look => {
  const facts = factsOf(subject);
  return (name) => factValue(facts[name] ?? null);
};

/** Clause and edition of a judgement, or what stands for them. */
export const judgementReference = ({ rule, subject, edition }: Judgement): string =>
  fillText(referenceOf(rule, edition), subject.kind, subject.facts);

/** Labels of what is not known, where that decides. */
export function missingFacts({ rule, subject, verdict }: Judgement): string[] {
  const look = lookIn(subject);
  return verdict === 'unknown'
    ? (readRule(rule).read?.holds.names ?? [])
        .filter((name) => look(name) === null)
        .map((name) => factKind(rule.on, name)?.label ?? name)
    : [];
}

const wordsFor = ({ rule, verdict }: Judgement): RuleSays => {
  if (verdict === 'fails') return rule.says;
  const isFine = verdict === 'holds';
  return (
    (isFine ? rule.fine : rule.open) ?? { title: rule.name, because: '', cure: isFine ? '' : rule.says.cure }
  );
};

/** The words of a judgement, with its facts put in. */
export function judgementWords(judgement: Judgement): RuleSays {
  const { kind, facts, units } = judgement.subject;
  const reference = judgementReference(judgement);
  const { title, because, cure } = wordsFor(judgement);
  const fill = (text: string): string => fillText(text, kind, facts, units).replace('{rule}', reference);
  return { title: fill(title), because: fill(because), cure: fill(cure) };
}

/** The figures a rule compares, demand first. */
export const comparedFigures = ({ rule, subject }: Judgement): Figure[] =>
  rule.figures.flatMap((name) => factFigure(factsOf(subject)[name] ?? null) ?? []);

/** The fact that names the circuits a subject is about, where a rule says nothing else of what it marks. */
const usualMarks = 'circuit';

/** Ids of what a rule marks. */
export const markedIds = ({ rule, subject }: Judgement): readonly string[] =>
  factThings(factsOf(subject)[rule.marks === '' ? usualMarks : rule.marks] ?? null).ids;

const severityOf = ({ verdict, rule }: Judgement): Severity | null => {
  if (verdict === 'fails') return rule.severity;
  if (verdict === 'unknown') return rule.open ? 'consider' : null;
  return rule.fine ? 'fine' : null;
};

/** The key of what a judgement says of its subject. */
export function judgementKey({ rule, subject }: Judgement): string {
  const name = rule.id.slice(rule.id.lastIndexOf('.') + 1);
  return [subject.keyBefore, name, ...(subject.keyAfter === '' ? [] : [subject.keyAfter])].join('.');
}

/** What a judgement gives reason to say; null where it says nothing. */
export function findingOf(judgement: Judgement): Finding | null {
  const severity = severityOf(judgement);
  return (
    severity && {
      key: judgementKey(judgement),
      severity,
      ...judgementWords(judgement),
      figures: comparedFigures(judgement),
    }
  );
}
