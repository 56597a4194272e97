import { describe, expect, it } from 'vitest';
import { derived, type Figure, given, sourceText, workingText } from '../../base/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import { demoPlans, type Plan } from '../../design/index.js';
import { withStack } from '../../design/testing/plan.js';
import { evaluatePlan } from './evaluate-plan.js';

const leaf = (key: string, value: number): Figure =>
  given({ key, label: key.toUpperCase(), value, unit: 'factor', source: { kind: 'user' } });
const leadAcid = withStack(demoPlans[0]!.plan, ['teasel-56', 2], ['teasel-bank', 4]);
const plans = [...demoPlans.map(({ plan }) => plan), leadAcid];

/** Every figure the user can reach. */
const reachable = (plan: Plan): Figure[] => {
  const evaluation = evaluatePlan(plan, builtInCatalogue);
  const all: Figure[] = [];
  const walk = (figure: Figure): void => {
    all.push(figure);
    Object.values(figure.inputs).forEach(walk);
  };
  [...evaluation.meeting.slice(0, 3), ...evaluation.nearly, evaluation.selected!].forEach(({ margins }) => {
    for (const { demand, limit } of margins) [demand, limit].forEach(walk);
  });
  Object.values(evaluation.requirement).forEach((figure) => walk(figure as Figure));
  for (const { figure, upTo } of evaluation.demandViews) [figure, upTo].forEach((one) => one && walk(one));
  return all;
};

/** Works out a formula that is plain arithmetic; null for one in words. */
const arithmetic = (figure: Figure): number | null => {
  const text = workingText(figure, ({ value }) => `(${value})`)
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .replaceAll('−', '-')
    .replaceAll('100 %', '1');
  if (figure.formula === undefined || /[a-z]/i.test(text.replace(/e[+-]?\d/g, ''))) return null;
  // The expression holds digits and operators only: the line above made sure.
  return Number(new Function(`return ${text}`)());
};

describe('figures with their working', () => {
  it('say the formula in words and in numbers', () => {
    const figure = derived({
      key: 'p',
      label: 'P',
      value: 6,
      unit: 'W',
      formula: '{a} × {b}',
      inputs: { a: leaf('a', 2), b: leaf('b', 3) },
    });
    expect(workingText(figure, ({ label }) => label)).toBe('A × B');
    expect(workingText(figure, ({ value }) => String(value))).toBe('2 × 3');
    expect(workingText(leaf('a', 1), () => '')).toBe('');
  });

  it('refuse a formula that names an input they do not have', () => {
    const figure = derived({ key: 'p', label: 'P', value: 6, unit: 'W', formula: '{x}', inputs: {} });
    expect(() => workingText(figure, () => '')).toThrow('no input "x"');
  });

  it.each(plans.map((plan, i) => [i, plan] as const))('are whole for every figure of job %i', (_, plan) => {
    for (const figure of reachable(plan)) {
      expect(figure.label).not.toBe('');
      expect(Number.isNaN(figure.value), figure.key).toBe(false);
      expect(() => workingText(figure, ({ label }) => label)).not.toThrow();
      const used = [...(figure.formula ?? '').matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
      if (figure.formula !== undefined && Object.keys(figure.inputs).length > 0)
        expect(used.length, figure.key).toBeGreaterThan(0);
    }
  });

  it.each(plans.map((plan, i) => [i, plan] as const))(
    'give, worked out again from the formula shown, the value shown (job %i)',
    (_, plan) => {
      let checked = 0;
      for (const figure of reachable(plan)) {
        const again = arithmetic(figure);
        if (again === null) continue;
        checked += 1;
        expect(again / figure.value, `${figure.key}: ${figure.formula}`).toBeCloseTo(1, 6);
      }
      expect(checked).toBeGreaterThan(20);
    },
  );

  it('say where they come from', () => {
    expect(sourceText({ kind: 'published', reference: 'NEC 2023, 220.82' })).toContain('recalled');
    expect(sourceText({ kind: 'common-practice' })).toBe('Common practice, no source');
    expect(sourceText({ kind: 'assumed', why: 'because' })).toBe('Assumed: because');
    for (const kind of ['derived', 'typical', 'nameplate', 'measured', 'user'] as const)
      expect(sourceText({ kind })).not.toBe('');
    expect(sourceText({ kind: 'catalogue', unit: 'X' })).toContain('X');
  });
});
