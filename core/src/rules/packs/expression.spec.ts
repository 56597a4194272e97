import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ExpressionProblem, type ExpressionType, readExpression } from './expression.js';
import type { FactValue } from './fact.js';

const types: Readonly<Record<string, ExpressionType>> = {
  a: 'number',
  b: 'number',
  p: 'yes or no',
  q: 'yes or no',
  word: 'text',
};
const typeOf = (name: string): ExpressionType | undefined => types[name];
const run = (text: string, facts: Record<string, FactValue> = {}, wanted: ExpressionType = 'yes or no') =>
  readExpression(text, wanted, typeOf).run((name) => facts[name] ?? null);

describe('an expression of a rule', () => {
  it('computes with the usual order of operations', () => {
    expect(run('a + b * 2 - 6 / 3', { a: 1, b: 2 }, 'number')).toBe(3);
    expect(run('-a + min(a, b, 9) * max(1, 2) + abs(-3)', { a: 5, b: 4 }, 'number')).toBe(6);
    expect(run('p ? a : b', { p: false, a: 1, b: 2 }, 'number')).toBe(2);
  });

  it('compares, and counts values that differ by rounding as equal', () => {
    expect(run('a <= b', { a: 0.1 + 0.2, b: 0.3 })).toBe(true);
    expect(run('a > b', { a: 0.1 + 0.2, b: 0.3 })).toBe(false);
    expect(run('a >= b', { a: 150, b: Infinity })).toBe(false);
    expect(run("word == 'inverter' && word != 'service'", { word: 'inverter' })).toBe(true);
  });

  // Kleene's strong logic of three values (S. C. Kleene, Introduction to Metamathematics, § 64; recalled).
  it.each([
    ['p && q', true, null, null],
    ['p && q', false, null, false],
    ['p && q', null, false, false],
    ['p && q', null, null, null],
    ['p || q', true, null, true],
    ['p || q', null, true, true],
    ['p || q', false, null, null],
    ['!p', null, null, null],
    ['p == q', true, null, null],
    ['known(p)', null, true, false],
    ['known(q)', null, true, true],
  ] as const)('leaves open what is not known: %s with %s, %s is %s', (text, p, q, expected) => {
    expect(run(text, { p, q })).toBe(expected);
  });

  it('never turns a known answer round when more is known', () => {
    const leaf = fc.constantFrom('p', 'q', 'a <= b', 'known(a)', 'true');
    const { tree } = fc.letrec((tie) => ({
      tree: fc.oneof(
        { depthSize: 'small' },
        leaf,
        fc
          .tuple(tie('tree'), fc.constantFrom('&&', '||'), tie('tree'))
          .map((parts) => `(${parts.join(' ')})`),
        tie('tree').map((one) => `!(${String(one)})`),
      ),
    }));
    const value = fc.record({ p: fc.boolean(), q: fc.boolean(), a: fc.integer(), b: fc.integer() });
    fc.assert(
      fc.property(tree, value, fc.subarray(['p', 'q', 'a', 'b']), (text, all, hidden) => {
        // What asks whether something is known changes with what is known: that is its purpose.
        fc.pre(!String(text).includes('known'));
        const some = { ...all, ...Object.fromEntries(hidden.map((name) => [name, null])) };
        const before = run(String(text), some);
        if (before !== null) expect(run(String(text), all)).toBe(before);
      }),
    );
  });

  it.each([
    ['c < 3', 'no fact called “c”'],
    ['a +', 'Expected'],
    ['a', 'needs a yes or no, and gets a number'],
    ["a == 'x'", 'needs a number, and gets a text'],
    ['p + 1 > 2', 'needs a number, and gets a yes or no'],
    ['a === b', '“===” is not known here'],
    ['pow(a, b) > 2', 'no function “pow”'],
    ['constructor(a) > 2', 'no function “constructor”'],
    ['known(a + b)', 'known takes the name of one fact'],
    ['a.b > 1', 'can only compute and compare'],
    ['[a]', 'can only compute and compare'],
    ['a, b', 'can only compute and compare'],
    ['null == null', 'use numbers'],
    ['', 'empty'],
    [Array.from({ length: 150 }, () => 'p').join(' && '), 'too long'],
  ])('that says %j is refused in words', (text, words) => {
    expect(() => run(text)).toThrow(ExpressionProblem);
    expect(() => run(text)).toThrow(words);
  });

  it('names what it reads', () => {
    expect(readExpression('a <= b && known(p)', 'yes or no', typeOf).names).toEqual(['a', 'b']);
  });
});
