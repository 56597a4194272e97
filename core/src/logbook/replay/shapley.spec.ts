import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shapley } from './shapley.js';

/** By the definition: the mean of what each adds, over all orders one by one. */
function byOrders<C>(causes: readonly C[], outcome: (taken: ReadonlySet<C>) => number): number[] {
  const orders = (left: readonly C[]): C[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((first) => orders(left.filter((one) => one !== first)).map((rest) => [first, ...rest]));
  const all = orders(causes);
  return causes.map((cause) => {
    const adds = all.map((order) => {
      const before = order.slice(0, order.indexOf(cause));
      return outcome(new Set([...before, cause])) - outcome(new Set(before));
    });
    return adds.reduce((sum, value) => sum + value, 0) / all.length;
  });
}

describe('the effect of causes', () => {
  // Airport game of Littlechild and Owen (1973), with the runway costs of the usual worked example (recalled).
  it('shares the cost of a runway as Littlechild and Owen do', () => {
    const costs = { a: 8, b: 11, c: 13, d: 18 } as const;
    const planes = Object.keys(costs) as (keyof typeof costs)[];
    const cost = (of: ReadonlySet<keyof typeof costs>): number =>
      Math.max(0, ...[...of].map((plane) => costs[plane]));
    const shares = shapley(planes, cost);
    [2, 3, 4, 9].forEach((share, index) => expect(shares[index]).toBeCloseTo(share, 12));
  });

  // One left glove and two right ones: the textbook example (recalled).
  it('values gloves as the textbooks do', () => {
    const worth = (of: ReadonlySet<string>): number =>
      of.has('left') && (of.has('right 1') || of.has('right 2')) ? 1 : 0;
    const [left, first, second] = shapley(['left', 'right 1', 'right 2'], worth);
    expect(left).toBeCloseTo(2 / 3, 12);
    expect(first).toBeCloseTo(1 / 6, 12);
    expect(second).toBeCloseTo(1 / 6, 12);
  });

  const game = fc
    .integer({ min: 0, max: 5 })
    .chain((n) =>
      fc.tuple(
        fc.constant(n),
        fc.array(fc.double({ min: -50, max: 50, noNaN: true }), { minLength: 2 ** n, maxLength: 2 ** n }),
      ),
    );
  it('is that of all orders one by one, and adds up', () => {
    fc.assert(
      fc.property(game, ([n, values]) => {
        const causes = Array.from({ length: n }, (_, index) => index);
        const outcome = (taken: ReadonlySet<number>): number =>
          values[[...taken].reduce((mask, bit) => mask + 2 ** bit, 0)]!;
        const found = shapley(causes, outcome);
        byOrders(causes, outcome).forEach((value, index) => expect(found[index]).toBeCloseTo(value, 9));
        const sum = found.reduce((all, value) => all + value, 0);
        expect(sum).toBeCloseTo(outcome(new Set(causes)) - outcome(new Set()), 9);
      }),
      { numRuns: 60 },
    );
  });
});
