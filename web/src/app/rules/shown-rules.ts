import { subjectKinds, type RuleSheet } from '@levamen/core/rules/packs';

export type Shown = 'here' | 'failing' | 'own' | 'all';

const counted = (count: number, word: string): string => (count === 0 ? '' : `${count} ${word}`);

/** What a rule says here, in a few words. */
export function verdictText({ rule, judged, problems }: RuleSheet): string {
  if (problems.length > 0) return 'cannot be read';
  const of = (verdict: string): number => judged.filter((one) => one.verdict === verdict).length;
  const said = [
    counted(of('fails'), 'fail'),
    counted(of('unknown'), 'not yet known'),
    counted(of('holds'), 'hold'),
  ].filter((text) => text !== '');
  if (said.length > 0) return said.join(', ');
  const where = [rule.region, rule.utility].filter((text) => text !== '').join(', ');
  return `applies to nothing here${where === '' ? '' : `; holds for ${where}`}`;
}

/** The rules that are shown, those at fault first; else in the order of the pack. */
export function shownRules(
  sheets: readonly RuleSheet[],
  shown: Shown,
  search: string,
  own: ReadonlySet<string>,
): RuleSheet[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const worst = ({ verdict, problems }: RuleSheet): number =>
    problems.length > 0 || verdict === 'fails' ? 0 : verdict === 'unknown' ? 1 : 2;
  return sheets
    .filter(({ rule, verdict, problems }) => {
      if (shown === 'here') return verdict !== null || problems.length > 0 || own.has(rule.id);
      if (shown === 'failing') return verdict === 'fails' || verdict === 'unknown' || problems.length > 0;
      return shown === 'all' || own.has(rule.id);
    })
    .filter(({ rule, reference }) => {
      const text = `${rule.id} ${rule.name} ${reference} ${subjectKinds[rule.on].label}`.toLowerCase();
      return words.every((word) => text.includes(word));
    })
    .toSorted((a, b) => worst(a) - worst(b));
}
