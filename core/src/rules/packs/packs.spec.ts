import { describe, expect, it } from 'vitest';
import {
  judge,
  judgementReference,
  judgementWords,
  missingFacts,
  referenceOf,
  type Subject,
} from './judge.js';
import { packFor, packOf, type UnderRules } from './pack-of.js';
import { packIdFor, type UnderCode } from './pack-id-for.js';
import { packIds } from './pack.js';
import { rule, type Rule, ruleSchema } from './rule.schema.js';
import { ruleProblems } from './rule-problems.js';

const bus = (faultA: number | null): Subject<'bus'> => ({
  kind: 'bus',
  keyBefore: 'bus:x',
  keyAfter: '',
  name: 'Bus',
  about: 'bus:x',
  facts: { name: 'Bus', faultA, interruptsA: 10_000 },
});
const own = rule({
  id: 'own.fault',
  on: 'bus',
  name: 'The utility wants 22 kA breakers above 8 kA',
  clause: 'Metering handbook, 4.2',
  origin: 'utility',
  when: 'faultA > 8000',
  holds: 'interruptsA >= 22000',
  severity: 'must-fix',
  says: ['{name} sees {faultA}', 'Its breakers interrupt {interruptsA} ({rule}).', 'Fit 22 kA breakers.'],
});

describe.each(packIds.map((id) => [id, packOf(id)] as const))('the pack %s', (_, pack) => {
  it('has rules that can be read, each once', () => {
    for (const one of pack.rules) {
      expect(ruleSchema.safeParse(one).error?.message).toBeUndefined();
      expect(ruleProblems(one), one.id).toEqual([]);
    }
    const ids = pack.rules.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('says where each rule comes from, and that codes are recalled', () => {
    for (const one of pack.rules) {
      const reference = referenceOf(one, pack.edition);
      const said = { recalled: /, recalled$/, maker: /^its data sheet$/ };
      expect(reference).toMatch(
        one.origin === 'recalled' || one.origin === 'maker' ? said[one.origin] : /common practice, no source/,
      );
      // A code is cited only where it holds.
      if (pack.values.sizes === 'metric' && one.id.startsWith('american') === false)
        expect(reference).not.toContain('NEC');
    }
  });
});

describe('rules', () => {
  it('hold, fail, or stay open with what is missing, and name the clause', () => {
    const verdicts = (faultA: number | null) =>
      judge(packOf('us-2023'), [bus(faultA)]).map((judgement) => [
        judgement.verdict,
        missingFacts(judgement),
        judgementReference(judgement),
      ]);
    expect(verdicts(9000)).toEqual([['holds', [], '110.9, NEC 2023, recalled']]);
    expect(verdicts(12_000)[0]![0]).toBe('fails');
    expect(verdicts(null)[0]!.slice(0, 2)).toEqual(['unknown', ['Fault current there']]);
  });

  it('of a utility are added to the pack of the place, and say so', () => {
    const under: UnderRules = {
      supply: { system: 'split-120-240' },
      parties: { country: '', codeEdition: '', region: '', utility: '' },
      code: { packId: null, rules: [own] },
    };
    const said = judge(packFor(under), [bus(9000)]).find(({ rule: one }) => one.id === 'own.fault')!;
    expect(said.verdict).toBe('fails');
    const says = judgementWords(said);
    expect(says.title).toBe('Bus sees 9,000 A');
    expect(says.because).toContain('Metering handbook, 4.2, rule of the utility');
    expect(judge(packFor(under), [bus(7000)]).some(({ rule: one }) => one.id === 'own.fault')).toBe(false);
    expect(packFor(under)).toBe(packFor(under));
  });

  it('of one utility, or one region, hold there only', () => {
    const judgedWith = (where: Partial<Rule>, parties: { region: string; utility: string }) =>
      packFor({
        supply: { system: 'split-120-240' },
        parties: { country: '', codeEdition: '', ...parties },
        code: { packId: null, rules: [{ ...own, ...where }] },
      }).rules.some(({ id }) => id === own.id);
    const there = { region: 'Province of Elsewhere', utility: 'Hill Power & Light' };
    expect(judgedWith({}, there)).toBe(true);
    expect(judgedWith({ utility: 'hill power' }, there)).toBe(true);
    expect(judgedWith({ utility: 'Dale Power' }, there)).toBe(false);
    expect(judgedWith({ utility: 'hill power', region: 'elsewhere ' }, there)).toBe(true);
    expect(judgedWith({ utility: 'hill power', region: 'Coast' }, there)).toBe(false);
    // Nobody has said who feeds the house: a rule of one utility waits.
    expect(judgedWith({ utility: 'hill power' }, { region: '', utility: '' })).toBe(false);
    // The same rules, asked about for another house.
    const rules = [{ ...own, utility: 'Dale' }];
    const at = (utility: string) =>
      packFor({
        supply: { system: 'split-120-240' },
        parties: { country: '', codeEdition: '', region: '', utility },
        code: { packId: null, rules },
      }).rules.includes(rules[0]!);
    expect([at('Dale'), at('Hill'), at('Dale')]).toEqual([true, false, true]);
  });

  it('that name what nobody knows are refused at the field', () => {
    expect(ruleProblems({ ...own, holds: 'interruptA > 1' })[0]).toMatchObject({ field: 'holds' });
    expect(ruleProblems({ ...own, when: 'faultA' })[0]?.message).toContain('needs a yes or no');
    expect(ruleProblems({ ...own, says: { ...own.says, cure: '{fault}' } })[0]?.message).toContain('{fault}');
    expect(ruleProblems({ ...own, marks: 'faultA' })[0]?.field).toBe('marks');
    expect(ruleProblems({ ...own, figures: ['name'] })[0]?.field).toBe('figures');
    // A rule that cannot be read judges nothing, and hinders no other.
    const broken = { ...packOf('us-2023'), rules: [{ ...own, holds: 'nonsense' }, own] };
    expect(judge(broken, [bus(9000)])).toHaveLength(1);
  });
});

describe('the pack of a place', () => {
  const of = (system: UnderCode['supply']['system'], country = '', codeEdition = '') =>
    packIdFor({ supply: { system }, parties: { country, codeEdition }, code: { packId: null, rules: [] } });
  it('follows country, edition and supply, unless somebody chose', () => {
    expect(of('split-120-240')).toBe('us-2023');
    expect(of('split-120-240', 'United States', 'NEC 2020 with amendments')).toBe('us-2020');
    expect(of('single-230', 'United Kingdom')).toBe('uk');
    expect(of('single-230', 'New Zealand')).toBe('au-nz');
    expect(of('three-230-400', 'Austria')).toBe('iec');
    expect(
      packIdFor({
        supply: { system: 'single-230' },
        parties: { country: '', codeEdition: '' },
        code: { packId: 'uk', rules: [] },
      }),
    ).toBe('uk');
  });
});
