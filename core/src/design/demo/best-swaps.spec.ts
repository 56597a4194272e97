import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans } from './demo-plans.js';
import { bestSwaps, imbalanceVA, panelBalance, type SwapItem } from '../../house/details.js';

const item = (id: string | null, leg: number, powerVA: number, space = 1): SwapItem => ({
  id,
  leg,
  powerVA,
  space,
});
const sums = (items: readonly SwapItem[], legs: number): number[] =>
  Array.from({ length: legs }, (_, leg) =>
    items.reduce((sum, one) => sum + (one.leg === leg ? one.powerVA : 0), 0),
  );

/** The least difference that at most `swaps` exchanges can reach, by trying every one after the other. */
function byForce(items: readonly SwapItem[], legs: number, swaps: number): number {
  let best = imbalanceVA(sums(items, legs));
  if (swaps === 0) return best;
  for (let i = 0; i < items.length; i += 1) {
    for (let j = i + 1; j < items.length; j += 1) {
      if (items[i]!.leg === items[j]!.leg) continue;
      const next = items.map((one, k) =>
        k === i ? { ...one, leg: items[j]!.leg } : k === j ? { ...one, leg: items[i]!.leg } : one,
      );
      best = Math.min(best, byForce(next, legs, swaps - 1));
    }
  }
  return best;
}

const arbitraryItems = (legs: number, most: number) =>
  fc
    .array(
      fc.record({
        leg: fc.integer({ min: 0, max: legs - 1 }),
        powerVA: fc.integer({ min: 0, max: 3000 }),
        free: fc.boolean(),
      }),
      { minLength: 2, maxLength: most },
    )
    .map((list) =>
      list.map(({ leg, powerVA, free }, index) =>
        item(free ? null : `c${index}`, leg, free ? 0 : powerVA, index + 1),
      ),
    );

describe('the swaps that balance a panel', () => {
  it('moves a breaker to a free space', () => {
    const plans = bestSwaps([item('a', 0, 800), item('b', 0, 400), item(null, 1, 0)], [1200, 0]);
    expect(plans[0]!.swaps.map(({ from, to }) => [from.id, to.id])).toEqual([['b', null]]);
    expect(plans[0]!.imbalanceVA).toBe(400);
  });

  it.each([
    [2, 1],
    [2, 2],
    [3, 1],
  ])('finds what brute force finds: %i legs, %i swaps', (legs, swaps) => {
    fc.assert(
      fc.property(arbitraryItems(legs, 7), (items) => {
        const present = sums(items, legs);
        const plans = bestSwaps(items, present).filter((plan) => plan.swaps.length <= swaps);
        const found = plans.at(-1)?.imbalanceVA ?? imbalanceVA(present);
        // Plans that win less than a volt-ampere are not worth a screwdriver.
        expect(found).toBeLessThanOrEqual(byForce(items, legs, swaps) + 1);
      }),
      { numRuns: 60 },
    );
  });

  it('lists the moves in order of effect, which add up to what is gained', () => {
    fc.assert(
      fc.property(arbitraryItems(2, 20), (items) => {
        const present = sums(items, 2);
        for (const { swaps, imbalanceVA: left } of bestSwaps(items, present)) {
          const gained = swaps.reduce((sum, { effectVA }) => sum + effectVA, 0);
          expect(gained).toBeCloseTo(imbalanceVA(present) - left, 6);
          expect(new Set(swaps.flatMap(({ from, to }) => [from.space, to.space])).size).toBe(
            2 * swaps.length,
          );
        }
      }),
    );
  });

  it('changes nothing where the legs are even, or where there is one leg only', () => {
    expect(bestSwaps([item('a', 0, 500), item('b', 1, 500)], [500, 500])).toEqual([]);
    expect(bestSwaps([item('a', 0, 500)], [500])).toEqual([]);
  });

  it('leaves shared neutrals, tandems and wide breakers where they are', () => {
    const { plan } = demoPlans[0]!;
    const panel = plan.survey.panels[0]!;
    const fixed = new Set(
      panel.circuits
        .filter(({ spaces, neutralGroup }) => spaces.length > 1 || neutralGroup !== '')
        .map(({ id }) => id),
    );
    const moved = panelBalance(plan, panel, 'winter').plans.flatMap(({ swaps }) =>
      swaps.flatMap(({ from, to }) => [from.id, to.id]),
    );
    expect(moved.length).toBeGreaterThan(0);
    expect(moved.some((id) => id !== null && fixed.has(id))).toBe(false);
  });
});
