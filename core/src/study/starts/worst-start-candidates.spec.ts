import { describe, expect, it } from 'vitest';
import { worstStartCandidates, type Starter } from './worst-start-candidates.js';

const starter = (changes: Partial<Starter>): Starter => ({
  startVA: 5000,
  startA: 40,
  durationS: 0.5,
  acrossTheLine: true,
  pieces: 1,
  runningVA: [1000, 500, 500],
  surgeVA: [5000, 2500, 2500],
  active: [true, true],
  ...changes,
});

describe('starts that can be the worst', () => {
  const strong = starter({});
  const weak = starter({ startA: 10, runningVA: [200, 200, 0], surgeVA: [1000, 1000, 0] });

  it('leave out one that another outdoes everywhere', () => {
    expect(worstStartCandidates([weak, strong])).toEqual([1]);
  });
  it.each([
    ['lasts longer', { durationS: 0.6 }],
    ['draws more current', { startA: 50 }],
    ['asks for more on one leg', { surgeVA: [1000, 2400, 0] }],
  ] as const)('keep a weaker one that %s', (_, changes) => {
    expect(worstStartCandidates([starter({ ...weak, ...changes }), strong])).toEqual([0, 1]);
  });
  it('keep one that starts when the other cannot', () => {
    expect(worstStartCandidates([weak, starter({ active: [true, false] })])).toEqual([0, 1]);
  });
  it('keep a motor across the line beside a soft start, whose current has no limit of its own', () => {
    expect(worstStartCandidates([weak, starter({ acrossTheLine: false })])).toEqual([0, 1]);
  });
  it('keep both of equals, and nothing of nothing', () => {
    expect(worstStartCandidates([strong, strong])).toEqual([0, 1]);
    expect(worstStartCandidates([])).toEqual([]);
  });
});
