import jsep, { type Expression } from 'jsep';
import type { FactValue } from './fact.js';

/** Looks a fact up. */
export type Look = (name: string) => FactValue;
/** A compiled expression; null = what it needs is not known. */
export type Compiled = (look: Look) => FactValue;
export type ExpressionType = 'number' | 'yes or no' | 'text';

export interface ReadExpression {
  readonly run: Compiled;
  /** The names it reads; what only `known(…)` asks about is not among them. */
  readonly names: readonly string[];
}

/** An expression that cannot be read, with what to change. */
export class ExpressionProblem extends Error {}

/** Values that differ by rounding only count as equal. */
const tolerance = 1e-9;
const atMost = (a: number, b: number): boolean =>
  a <= b || (Number.isFinite(a) && a <= b + tolerance * Math.max(Math.abs(a), Math.abs(b)));

const comparisons: Readonly<Record<string, (a: number, b: number) => boolean>> = {
  '<=': atMost,
  '>=': (a, b) => atMost(b, a),
  '<': (a, b) => !atMost(b, a),
  '>': (a, b) => !atMost(a, b),
};
const sums: Readonly<Record<string, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
};
const functions: Readonly<Record<string, (...values: number[]) => number>> = {
  min: Math.min,
  max: Math.max,
  abs: Math.abs,
  sqrt: Math.sqrt,
};
/** Deep enough for any rule that somebody can read. */
const mostParts = 200;

interface Typed {
  readonly run: Compiled;
  readonly type: ExpressionType;
}

/**
 * Reads an expression of a rule: names of facts, numbers, texts in quotes, `true` and `false`, `+ - * /`, comparisons, `&&`, `||`, `!`, `a ? b : c`,
 * `min max abs sqrt` and `known(name)`. What is not known stays so (Kleene's logic): unknown && false is false, unknown && true is unknown.
 *
 * @param typeOf the type of a fact by its name; undefined = there is none
 * @throws ExpressionProblem in words that say what to change
 */
export function readExpression(
  text: string,
  wanted: ExpressionType,
  typeOf: (name: string) => ExpressionType | undefined,
): ReadExpression {
  const names = new Set<string>();
  let parts = 0;
  const fail = (message: string): never => {
    throw new ExpressionProblem(`“${text}”: ${message}`);
  };
  const ofType = (node: Expression, type: ExpressionType, where: string): Compiled => {
    const { run, type: is } = compile(node);
    return is === type ? run : fail(`${where} needs a ${type}, and gets a ${is}`);
  };
  const named = (node: Expression): Typed => {
    const name = String(node['name']);
    const type = typeOf(name) ?? fail(`there is no fact called “${name}” here`);
    return { type, run: (look) => look(name) };
  };
  const literal = (node: Expression): Typed => {
    const value = node['value'];
    if (typeof value === 'number') return { type: 'number', run: () => value };
    if (typeof value === 'string') return { type: 'text', run: () => value };
    if (typeof value === 'boolean') return { type: 'yes or no', run: () => value };
    return fail('use numbers, texts in quotes, true or false');
  };
  const logical = (node: Expression, operator: '&&' | '||'): Typed => {
    const left = ofType(node['left'] as Expression, 'yes or no', operator);
    const right = ofType(node['right'] as Expression, 'yes or no', operator);
    const decides = operator === '||';
    return {
      type: 'yes or no',
      run: (look) => {
        const a = left(look);
        if (a === decides) return decides;
        const b = right(look);
        if (b === decides) return decides;
        return a === null || b === null ? null : !decides;
      },
    };
  };
  const binary = (node: Expression): Typed => {
    const operator = String(node['operator']);
    if (operator === '&&' || operator === '||') return logical(node, operator);
    if (operator === '==' || operator === '!=') {
      const left = compile(node['left'] as Expression);
      const right = ofType(node['right'] as Expression, left.type, operator);
      return {
        type: 'yes or no',
        run: (look) => {
          const [a, b] = [left.run(look), right(look)];
          return a === null || b === null ? null : (a === b) === (operator === '==');
        },
      };
    }
    const left = ofType(node['left'] as Expression, 'number', operator);
    const right = ofType(node['right'] as Expression, 'number', operator);
    const both = <T extends FactValue>(how: (a: number, b: number) => T): Compiled => {
      return (look) => {
        const [a, b] = [left(look), right(look)];
        return typeof a === 'number' && typeof b === 'number' ? how(a, b) : null;
      };
    };
    const compare = comparisons[operator];
    if (compare) return { type: 'yes or no', run: both(compare) };
    const sum = sums[operator] ?? fail(`“${operator}” is not known here`);
    return { type: 'number', run: both(sum) };
  };
  const call = (node: Expression): Typed => {
    const name = String((node['callee'] as Expression)['name']);
    const values = node['arguments'] as Expression[];
    if (name === 'known') {
      const [one] = values;
      if (values.length !== 1 || one?.type !== 'Identifier') fail('known takes the name of one fact');
      const { run } = named(one!);
      return { type: 'yes or no', run: (look) => run(look) !== null };
    }
    const how = Object.hasOwn(functions, name) ? functions[name]! : fail(`there is no function “${name}”`);
    if (values.length === 0) fail(`${name} takes at least one number`);
    const runs = values.map((value) => ofType(value, 'number', name));
    return {
      type: 'number',
      run: (look) => {
        const got = runs.map((run) => run(look));
        return got.every((value) => typeof value === 'number') ? how(...got) : null;
      },
    };
  };
  const compile = (node: Expression): Typed => {
    parts += 1;
    if (parts > mostParts) fail('it is too long: make two rules of it');
    switch (node.type) {
      case 'Literal':
        return literal(node);
      case 'Identifier':
        names.add(String(node['name']));
        return named(node);
      case 'BinaryExpression':
        return binary(node);
      case 'UnaryExpression': {
        const operator = String(node['operator']);
        if (operator === '!') {
          const run = ofType(node['argument'] as Expression, 'yes or no', '!');
          return {
            type: 'yes or no',
            run: (look) => {
              const value = run(look);
              return value === null ? null : !value;
            },
          };
        }
        if (operator !== '-') fail(`“${operator}” is not known here`);
        const run = ofType(node['argument'] as Expression, 'number', '-');
        return {
          type: 'number',
          run: (look) => {
            const value = run(look);
            return typeof value === 'number' ? -value : null;
          },
        };
      }
      case 'ConditionalExpression': {
        const test = ofType(node['test'] as Expression, 'yes or no', '?');
        const yes = compile(node['consequent'] as Expression);
        const no = ofType(node['alternate'] as Expression, yes.type, ':');
        return {
          type: yes.type,
          run: (look) => {
            const which = test(look);
            return which === null ? null : which ? yes.run(look) : no(look);
          },
        };
      }
      case 'CallExpression':
        return call(node);
      default:
        return fail('it can only compute and compare');
    }
  };
  const tree = ((): Expression => {
    try {
      return jsep(text);
    } catch (error) {
      return fail(error instanceof Error ? error.message : 'it cannot be read');
    }
  })();
  if (text.trim() === '') fail('it is empty');
  return { run: ofType(tree, wanted, 'a rule'), names: [...names] };
}
