import { expect, it } from 'vitest';
import { legSets, systemFacts } from './legs.js';
import { readLegs } from './read-legs.js';

it.each([
  ['L1-L2', 'L1-L2'],
  ['l2 l1', 'L1-L2'],
  ['12', 'L1-L2'],
  ['1/2', 'L1-L2'],
  ['2', 'L2'],
  ['both', 'L1-L2'],
  ['L3', null],
  ['kitchen', null],
  ['', null],
])('“%s” on split phase is %s', (text, legs) => {
  expect(readLegs(text, systemFacts['split-120-240'].legSets)).toBe(legs);
});

it('reads every set as it is written', () => {
  for (const set of legSets) expect(readLegs(set, legSets)).toBe(set);
  expect(readLegs('all', legSets)).toBe('L1-L2-L3');
});
