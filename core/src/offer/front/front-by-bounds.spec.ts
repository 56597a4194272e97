import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../base/index.js';
import { type Candidate, frontByBounds, type Objectives } from './front-by-bounds.js';

interface Invented extends Candidate {
  readonly id: number;
  readonly value: Objectives;
}
const best = [72, 1] as const;

/** Invented candidates in which more battery is never worse; a family may be cut short by something else. */
const invented = fc
  .array(
    fc.record({
      family: fc.constantFrom('a', 'b', 'c', 'd'),
      packs: fc.integer({ min: 1, max: 9 }),
      cost: fc.integer({ min: 1, max: 40 }),
    }),
    { minLength: 1, maxLength: 60 },
  )
  .chain((rows) =>
    fc.record({
      rows: fc.constant(rows),
      hours: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 40, maxLength: 40 }),
      chances: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 40, maxLength: 40 }),
    }),
  )
  .map(({ rows, hours, chances }) =>
    rows.map(({ family, packs, cost }, id): Invented => {
      const first = 'abcd'.indexOf(family) * 10;
      const sum = (of: readonly number[]): number =>
        of.slice(first, first + packs).reduce((all, step) => all + step, 0);
      return {
        id,
        family,
        batteryWh: packs * 1000,
        cost,
        guess: (id * 7919) % 97,
        value: [Math.min(72, sum(hours)), Math.min(1, sum(chances) / 10)],
      };
    }),
  );

describe('the fronts', () => {
  it('are those of simulating every candidate, however many are played at once', async () => {
    await fc.assert(
      fc.asyncProperty(invented, fc.integer({ min: 1, max: 4 }), async (candidates, atOnce) => {
        const played: number[] = [];
        const { fronts, simulated, pruned, left } = await frontByBounds(candidates, {
          play: async (one) => {
            played.push(one.id);
            await Promise.resolve();
            return one.value;
          },
          best,
          atOnce,
        });
        expect(new Set(played).size).toBe(played.length);
        expect([simulated + pruned, left]).toEqual([candidates.length, 0]);
        for (const j of [0, 1]) {
          // By the definition: nothing that costs no more does as well, but its equals.
          const onFront = (one: Invented): boolean =>
            !candidates.some(
              (other) =>
                other.cost <= one.cost &&
                other.value[j]! >= one.value[j]! &&
                (other.cost < one.cost || other.value[j]! > one.value[j]!),
            );
          const wanted = new Set(candidates.filter(onFront).map(({ cost, value }) => `${cost} ${value[j]!}`));
          const found = fronts[j]!.map(({ candidate, value }) => `${candidate.cost} ${value[j]!}`);
          expect(new Set(found)).toEqual(wanted);
          expect(found).toHaveLength(wanted.size);
        }
      }),
      { numRuns: 500 },
    );
  });

  it('are those of simulating every candidate, where each stands alone and has a bound of its own', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 20 }), fc.integer({ min: 0, max: 9 }), fc.nat(3)), {
          minLength: 1,
          maxLength: 60,
        }),
        fc.integer({ min: 1, max: 3 }),
        async (rows, atOnce) => {
          // All of one family, and what they do has nothing to do with their batteries.
          const candidates = rows.map(([cost, value, slack], id) => ({
            ...{ id, cost, family: 'a', batteryWh: 1000 * ((id * 7) % 5), guess: (id * 31) % 11 },
            ...{ value: [value], most: [value + slack] },
          }));
          const { fronts } = await frontByBounds(candidates, {
            play: ({ value }) => Promise.resolve(value),
            best: [12],
            atMost: ({ most }) => most,
            eachAlone: true,
            atOnce,
          });
          const told = ({ cost, value }: { cost: number; value: readonly number[] }): string =>
            `${cost} ${value[0]!}`;
          const wanted = candidates
            .toSorted((a, b) => a.cost - b.cost)
            .filter((one) =>
              candidates.every(
                (other) =>
                  other.cost > one.cost || other.value[0]! < one.value[0]! || told(other) === told(one),
              ),
            );
          expect(fronts[0]!.map(({ candidate }) => told(candidate))).toEqual([...new Set(wanted.map(told))]);
        },
      ),
      { numRuns: 500 },
    );
  });

  it('need few simulations where families are long, and tell of points early', async () => {
    // A hundred kinds of inverter and control, twenty sizes of each: they differ in what they cost and in what a pack lasts.
    const random = seededRandom(5);
    const kinds = Array.from({ length: 100 }, () => ({
      first: 400 + 2000 * random(),
      each: 300 + 200 * random(),
      lasts: 1 + 2 * random(),
    }));
    const candidates = Array.from({ length: 2000 }, (_, id): Invented => {
      const kind = kinds[id % 100]!;
      const packs = Math.floor(id / 100) + 1;
      const hours = Math.min(72, packs * kind.lasts);
      return {
        id,
        family: String(id % 100),
        batteryWh: packs,
        cost: kind.first + packs * kind.each,
        guess: hours * (0.8 + 0.4 * random()),
        value: [hours, hours / 72],
      };
    });
    const told: number[] = [];
    const { simulated } = await frontByBounds(candidates, {
      play: (one) => Promise.resolve(one.value),
      best,
      tell: ({ fronts }) => told.push(fronts[0]!.length),
    });
    expect(told[0]).toBe(1);
    expect(simulated).toBeLessThan(0.3 * 2000);
  });

  it('ends when nobody waits, and leaves out what cannot be played', async () => {
    const candidates = Array.from({ length: 20 }, (_, id): Invented => ({
      id,
      family: `f${id}`,
      batteryWh: 1000,
      cost: 100 + id,
      guess: 0,
      value: [id, 0],
    }));
    let count = 0;
    const { simulated, left } = await frontByBounds(candidates, {
      play: (one) => Promise.resolve(one.value),
      best,
      tell: () => (count += 1),
      isOver: () => count >= 5,
    });
    expect([simulated, left]).toEqual([5, 15]);
    const odd = await frontByBounds(candidates, {
      play: (one) => Promise.resolve(one.id % 2 === 0 ? null : one.value),
      best,
    });
    expect(odd.fronts[0]!.every(({ candidate }) => candidate.id % 2 === 1)).toBe(true);
  });
});
