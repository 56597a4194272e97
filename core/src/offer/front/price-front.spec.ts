import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import { type Candidate, priceFront } from './price-front.js';

interface Invented extends Candidate {
  readonly id: number;
  readonly hoursH: number;
}

/** Invented candidates in which more battery never shortens an outage; a family may be cut short by something else. */
const invented = fc
  .array(
    fc.record({
      family: fc.constantFrom('a', 'b', 'c'),
      packs: fc.integer({ min: 1, max: 9 }),
      cents: fc.integer({ min: 1, max: 40 }),
    }),
    { minLength: 1, maxLength: 40 },
  )
  .chain((rows) =>
    fc.record({
      rows: fc.constant(rows),
      steps: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: 30, maxLength: 30 }),
    }),
  )
  .map(({ rows, steps }) =>
    rows.map(({ family, packs, cents }, id): Invented => {
      const first = { a: 0, b: 10, c: 20 }[family]!;
      const hoursH = steps.slice(first, first + packs).reduce((sum, step) => sum + step, 0);
      return { id, family, batteryWh: packs * 1000, cost: `0.${String(cents).padStart(2, '0')}`, hoursH };
    }),
  );

const play = (one: Invented) => Promise.resolve({ hoursH: one.hoursH });

it('is the front of playing every candidate', async () => {
  await fc.assert(
    fc.asyncProperty(invented, async (candidates) => {
      const { points, simulated, pruned } = await priceFront(candidates, play, 72);
      // By the definition: nothing that costs no more lasts as long, but its equals.
      const onFront = (one: Invented): boolean =>
        !candidates.some(
          (other) =>
            Number(other.cost) <= Number(one.cost) &&
            other.hoursH >= one.hoursH &&
            (Number(other.cost) < Number(one.cost) || other.hoursH > one.hoursH),
        );
      const wanted = new Set(candidates.filter(onFront).map(({ cost, hoursH }) => `${cost} ${hoursH}`));
      const found = points.map(({ candidate, lasts }) => `${candidate.cost} ${lasts.hoursH}`);
      expect(new Set(found)).toEqual(wanted);
      expect(found).toHaveLength(wanted.size);
      expect(simulated + pruned).toBe(candidates.length);
    }),
    { numRuns: 500 },
  );
});

it('tells of the first points before the last are played, and ends when nobody waits', async () => {
  const candidates = Array.from({ length: 20 }, (_, id): Invented => ({
    id,
    family: 'a',
    batteryWh: 1000 * (id + 1),
    cost: String(100 + id),
    hoursH: id,
  }));
  const told: number[] = [];
  const front = await priceFront(
    candidates,
    play,
    72,
    ({ points }) => told.push(points.length),
    () => told.length >= 5,
  );
  expect(told).toEqual([1, 2, 3, 4, 5]);
  expect(front.points).toHaveLength(5);
});

it('stops at what is followed no further', async () => {
  const candidates = [30, 72, 72, 72].map((hoursH, id): Invented => ({
    id,
    family: `f${id}`,
    batteryWh: 1000,
    cost: String(id + 1),
    hoursH,
  }));
  const { points, simulated, pruned } = await priceFront(candidates, play, 72);
  expect(points.map(({ candidate }) => candidate.id)).toEqual([0, 1]);
  expect([simulated, pruned]).toEqual([2, 2]);
});
