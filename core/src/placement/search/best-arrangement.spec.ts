import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import {
  bestArrangement,
  type Chosen,
  type Constraints,
  type Kind,
  type Position,
} from './best-arrangement.js';

/** From the definition: every choice of positions for every unit, the cheapest that is allowed. */
function brute(kinds: readonly Kind[], constraints: Constraints): number {
  const order = kinds.flatMap((kind, index) => Array.from({ length: kind.quantity }, () => index));
  let best = Infinity;
  const walk = (chosen: { kind: number; position: Position }[], cost: number): void => {
    if (chosen.length === order.length) {
      const pairs = chosen.every((a, i) =>
        chosen.every((b, j) => i >= j || constraints.together(a.kind, a.position, b.kind, b.position)),
      );
      if (pairs && constraints.whole(chosen)) best = Math.min(best, cost);
      return;
    }
    const kind = order[chosen.length]!;
    for (const position of kinds[kind]!.positions)
      walk([...chosen, { kind, position }], cost + position.cost);
  };
  walk([], 0);
  return best;
}

it('is the cheapest of all there are, on invented boards with rules of every sort', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 2 }), { minLength: 1, maxLength: 2 }),
      fc.integer({ min: 3, max: 9 }),
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 0, max: 1e6 }),
      fc.integer({ min: 1, max: 4 }),
      (quantities, width, height, seed, apart) => {
        const cost = (kind: number, x: number, y: number): number =>
          ((x * 7 + y * 13 + kind * 5 + seed) % 11) + x * 0.1;
        const kinds = quantities.map((quantity, kind): Kind => ({
          quantity,
          positions: Array.from({ length: width * height }, (_, at) => {
            const [x, y] = [at % width, Math.floor(at / width)];
            return { x, y, cost: cost(kind, x, y) };
          })
            .filter(({ x, y }) => (x * 3 + y + kind + seed) % 4 !== 0)
            .toSorted((a, b) => a.cost - b.cost),
        }));
        const constraints: Constraints = {
          together: (_, a, __, b) => Math.abs(a.x - b.x) + 2 * Math.abs(a.y - b.y) >= apart,
          whole: (chosen: Chosen) =>
            chosen.reduce((sum, { position }) => sum + position.x, seed % 3) % 3 !== 0,
        };
        const found = bestArrangement(kinds, constraints);
        expect(found.cost).toBeCloseTo(brute(kinds, constraints), 9);
      },
    ),
    { numRuns: 300 },
  );
});
