import { expect, it } from 'vitest';
import { normalShare } from './normal-share.js';

// Abramowitz and Stegun, table 26.1 (recalled).
it.each([
  [0, 0.5],
  [0.5, 0.6914624613],
  [1, 0.8413447461],
  [1.96, 0.9750021049],
  [-2.5, 0.0062096653],
  [3, 0.998650102],
])('the share of a normal distribution below %f is that of the table', (score, share) => {
  expect(Math.abs(normalShare(score) - share)).toBeLessThan(2e-7);
});
