import { describe, expect, it } from 'vitest';
import { sampleLine } from '../sample/sample-line.js';
import { clover, companyItems } from '../testing/company-items.js';
import { assumedRatings } from './assumed-ratings.js';
import { type Item, itemSchema } from './item.schema.js';
import { unitOf } from './unit-of.js';

/** The item without every rating its list may go without. */
function bare(item: Item): Item {
  let left = item;
  for (const key of Object.keys(item.ratings)) {
    const tried = { ...left, ratings: { ...left.ratings, [key]: null } };
    if (itemSchema.safeParse(tried).success && unitOf(tried as Item)) left = tried as Item;
  }
  return left;
}

describe('ratings that stand in', () => {
  it('are said with a value each, whatever the data sheet of whatever unit leaves out', () => {
    let count = 0;
    for (const item of [...sampleLine, ...companyItems].map(bare)) {
      const unit = unitOf(item);
      if (!unit) continue;
      const rows = assumedRatings(unit);
      expect(rows, item.name).toHaveLength(unit.assumed.length);
      for (const { label, text } of rows) expect(text, `${item.name}: ${label}`).toMatch(/^\d/);
      count += rows.length;
    }
    expect(count).toBeGreaterThan(50);
  });

  it('are those the studies work with', () => {
    const unit = unitOf(bare(clover))!;
    const said = new Map(assumedRatings(unit).map(({ label, text }) => [label, text]));
    expect(said.get('Own draw')).toBe(`${unit.inverter!.standbyW} W`);
    expect(said.get('Tries')).toBe('0');
    // 3 % a year is what is usually lost of lithium: common practice, no source.
    expect(said.get('Retained capacity')).toBe('70 % after 10 yr');
  });

  it('are none where the data sheet says everything', () => {
    expect(assumedRatings(unitOf(clover)!)).toEqual([]);
  });
});
