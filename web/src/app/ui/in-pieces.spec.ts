import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stepTowards } from './in-pieces';

interface Row {
  readonly id: string;
  readonly text: string;
}
const identity = { keyOf: ({ id }: Row) => id };
const rowsOf = (ids: readonly number[], text: string): Row[] => ids.map((id) => ({ id: String(id), text }));
const numbers = fc.uniqueArray(fc.integer({ min: 0, max: 300 }), { maxLength: 200 });

describe('drawing a long list in pieces', () => {
  it('reaches the list in as many steps as there are pieces, whatever stood there before', () => {
    fc.assert(
      fc.property(numbers, numbers, fc.integer({ min: 1, max: 80 }), (old, ids, most) => {
        const goal = rowsOf(ids, 'new');
        let drawn: readonly Row[] = rowsOf(old, 'old');
        for (let step = 0; step < Math.ceil(ids.length / most); step += 1) {
          const next = stepTowards(drawn, goal, identity, null, most);
          expect(next.filter((row) => !drawn.includes(row)).length).toBeLessThanOrEqual(most);
          drawn = next;
        }
        expect(ids.length === 0 || drawn === goal).toBe(true);
      }),
    );
  });

  it('draws the row with the focus at once, and drops what is gone', () => {
    const drawn = rowsOf([1, 2, 3], 'old');
    const goal = rowsOf([4, 5, 3, 1], 'new');
    expect(stepTowards(drawn, goal, identity, '3', 1)).toEqual([goal[0], goal[2], drawn[0]]);
  });

  it('takes rows that look alike as drawn', () => {
    const goal = rowsOf([1, 2, 3], 'same');
    const alike = (one: Row, other: Row): boolean => one.text === other.text;
    expect(stepTowards(rowsOf([1, 2, 3], 'same'), goal, { ...identity, alike }, null, 0)).toBe(goal);
  });
});
